import { parentPort, workerData } from 'node:worker_threads';
import { expose } from 'comlink';
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs';
import { TASKS } from './tasks.ts';

// What a worker does: the task it was started for, and nothing else.
if (!parentPort) throw new Error('this is the beginning of a worker');
const { task } = workerData as { task: keyof typeof TASKS };
expose(await TASKS[task](), nodeEndpoint(parentPort));
