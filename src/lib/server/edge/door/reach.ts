/** From where the application can be reached, as `npm start` set it up. */
export interface Reach {
	/** By nobody but who sits at this machine. */
	isLoopback: boolean;
	/** What the person who keeps the machine was shown, for the first owner; null where none is asked for. */
	firstKey: string | null;
	/** The fingerprint of the certificate authority made for this machine; null where there is none. */
	authority: string | null;
}

/** The reach of this process: without a word of it, as in a test, nothing is taken for granted. */
export function reach(env: NodeJS.ProcessEnv = process.env): Reach {
	return {
		isLoopback: env.REACH === 'loopback',
		firstKey: env.FIRST_KEY ?? null,
		authority: env.AUTHORITY_FINGERPRINT ?? null
	};
}
