/** What hears a scale. */
export interface ScaleListener {
	/** A line of text, as the scale sent it. */
	line(text: string): void;
	/** It is there, or it is not. */
	connected(is: boolean): void;
}

/** Anything that sends a line of text per reading. */
export interface Scale {
	/** What it is called where it is chosen. */
	readonly title: string;
	/** Begins to listen; the function it gives ends that. Rejects where the scale cannot be opened. */
	open(listener: ScaleListener): Promise<() => Promise<void> | void>;
}
