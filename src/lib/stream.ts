const RETRY_MS = 1000;

/** What is done with a stream of events. */
export interface Listener {
	message: (data: string) => void;
	/** It is there, the first time and each time again. */
	opened?: () => void;
	/** It broke; it is begun again by itself. */
	broken?: () => void;
}

/**
 * Listens to the server's events at `path` while the page is looked at: a browser allows few streams at once, and a
 * tab nobody sees needs none. What it gives ends it.
 */
export function listenTo(path: string, { message, opened, broken }: Listener): () => void {
	let stream: EventSource | null = null;
	let retry: ReturnType<typeof setTimeout> | undefined;
	const leave = () => {
		clearTimeout(retry);
		stream?.close();
		stream = null;
	};
	const connect = () => {
		leave();
		if (document.visibilityState === 'hidden') return;
		const mine = new EventSource(path);
		stream = mine;
		mine.onmessage = (event: MessageEvent<string>) => message(event.data);
		mine.onopen = () => opened?.();
		mine.onerror = () => {
			broken?.();
			// A stream that broke is begun again by the browser; one that was answered with an error is not.
			// Not every page at the same moment.
			if (mine.readyState === EventSource.CLOSED && stream === mine)
				retry = setTimeout(connect, RETRY_MS * (1 + 2 * Math.random()));
		};
	};
	connect();
	document.addEventListener('visibilitychange', connect);
	return () => {
		document.removeEventListener('visibilitychange', connect);
		leave();
	};
}
