import type { Scale } from './scale.ts';

/** No line for this long: the scale is gone, though the stream may still be open. */
const SILENCE_MS = 2500;
const RETRY_MS = 1000;

/** A scale that the server reaches, by its name. */
export function networkScale(name: string, title: string): Scale {
	return {
		title,
		open: ({ line, connected }) => {
			let stream: EventSource | null = null;
			let silence: ReturnType<typeof setTimeout> | undefined;
			let over = false;
			const listen = () => {
				if (over || document.visibilityState === 'hidden') return;
				stream = new EventSource(`/scale/${name}/readings`);
				stream.onmessage = (event: MessageEvent<string>) => {
					clearTimeout(silence);
					silence = setTimeout(() => connected(false), SILENCE_MS);
					connected(true);
					line(event.data);
				};
				stream.onerror = () => {
					connected(false);
					if (stream?.readyState === EventSource.CLOSED) setTimeout(again, RETRY_MS);
				};
			};
			/** A browser allows few streams at once: a page nobody looks at gives its up. */
			const again = () => {
				stream?.close();
				stream = null;
				listen();
			};
			listen();
			document.addEventListener('visibilitychange', again);
			return Promise.resolve(() => {
				over = true;
				clearTimeout(silence);
				document.removeEventListener('visibilitychange', again);
				stream?.close();
			});
		}
	};
}
