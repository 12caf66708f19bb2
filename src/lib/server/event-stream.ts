/** A line of comment this often keeps proxies and browsers from thinking the stream is dead. */
const BEAT_MS = 15_000;
/** How soon a browser whose stream broke tries again. */
const RETRY_MS = 500;

/**
 * An answer of server-sent events. `start` gets what sends one message and what ends the stream; it
 * returns what to call once nobody listens any more.
 */
export function eventStream(
	start: (send: (data: string) => void, end: () => void) => (() => void) | Promise<() => void>
): Response {
	const encoder = new TextEncoder();
	let stop: () => void = () => undefined;
	const body = new ReadableStream<Uint8Array>({
		async start(controller) {
			let over = false as boolean;
			const write = (text: string) => {
				if (!over) controller.enqueue(encoder.encode(text));
			};
			let leave: () => void = () => undefined;
			const beat = setInterval(() => write(': still here\n\n'), BEAT_MS);
			const end = () => {
				if (over) return;
				over = true;
				clearInterval(beat);
				leave();
				try {
					controller.close();
				} catch {
					// Closed already by the browser leaving.
				}
			};
			stop = end;
			write(`retry: ${RETRY_MS}\n\n`);
			try {
				leave = await start((data) => write(`data: ${data}\n\n`), end);
			} catch {
				// What cannot begin is over: whoever listens tries again, as after any end.
				end();
			}
			// Over before it began: let go of what was just taken.
			if (over) leave();
		},
		cancel: () => stop()
	});
	return new Response(body, {
		headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' }
	});
}
