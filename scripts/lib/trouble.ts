/** A failure with what to do about it: printed without a stack. */
export class Trouble extends Error {
	constructor(
		message: string,
		readonly remedy: string
	) {
		super(message);
	}
}

/** Prints what failed and how to mend it, and leaves with exit code 1. */
export function report(error: unknown): void {
	if (error instanceof Trouble) console.error(`\n${error.message}\n${error.remedy}`);
	else console.error(error);
	process.exitCode = 1;
}

/** What an unknown error says. */
export function reasonOf(error: unknown): string {
	return error instanceof Error ? error.message : String(error);
}
