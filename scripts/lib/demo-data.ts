import { cpSync, existsSync } from 'node:fs';

/** Where the data folder lies that has the demo in it already, while tests run. */
const DEMO_DATA = 'DEMO_DATA';

/** Lets tests begin with the demo in a data folder: to load it takes longer than most of them. */
export function demoIn(folder: string): void {
	process.env[DEMO_DATA] = folder;
}

/** Puts the demo into a data folder that is still to be, where it was laid before; else it is loaded there. */
export function layDemo(folder: string): void {
	const from = process.env[DEMO_DATA];
	if (from && existsSync(from) && !existsSync(folder)) cpSync(from, folder, { recursive: true });
}
