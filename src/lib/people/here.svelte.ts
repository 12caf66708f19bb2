/** Who this page is of now. */
const here = $state<{ as: string | null; isOut: boolean }>({ as: null, isOut: false });
let listeners: readonly (() => void)[] = [];

/** The membership that is in on this device; null at the door. */
export const asWhom = (): string | null => here.as;

/** Whether the server knows nobody here any more, though the page was somebody's. */
export const isOut = (): boolean => here.isOut;

/** Notes what the server's answer said of it. */
export function answered(status: number): void {
	if (here.isOut !== (status === 401)) here.isOut = status === 401;
}

/** Says who is in; what waits for the server goes by it. */
export function hereAs(as: string | null): void {
	if (here.as === as) return;
	here.as = as;
	here.isOut = false;
	for (const listener of listeners) listener();
}

/** Calls `listener` whenever somebody else is in. */
export function onChange(listener: () => void): () => void {
	listeners = [...listeners, listener];
	return () => (listeners = listeners.filter((each) => each !== listener));
}

/** What a request says of who made what it brings. */
export const asHeader = (): Record<string, string> =>
	here.as === null ? {} : { 'x-square-batch-as': here.as };
