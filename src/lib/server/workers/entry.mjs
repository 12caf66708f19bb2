// Where a worker begins. A build does not carry it: the start script says where it is, and tsx reads what it needs from
// source, as it does for the scripts.
import { fileURLToPath } from 'node:url';

process.env.TSX_TSCONFIG_PATH ??= fileURLToPath(
	new URL('../../../../scripts/tsconfig.json', import.meta.url)
);
const { register } = await import('tsx/esm/api');
register();
await import('./entry.ts');
