import { listenTo } from '../stream.ts';
import type { Scale } from './scale.ts';

/** No line for this long: the scale is gone, though the stream may still be open. */
const SILENCE_MS = 2500;

/** A scale that the server reaches, by its name. */
export function networkScale(name: string, title: string): Scale {
	return {
		title,
		open: ({ line, connected }) => {
			let silence: ReturnType<typeof setTimeout> | undefined;
			const leave = listenTo(`/scale/${name}/readings`, {
				message: (data) => {
					clearTimeout(silence);
					silence = setTimeout(() => connected(false), SILENCE_MS);
					connected(true);
					line(data);
				},
				broken: () => connected(false)
			});
			return Promise.resolve(() => {
				clearTimeout(silence);
				leave();
			});
		}
	};
}
