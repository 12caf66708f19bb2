import { scaleModel } from '../../../stand-ins/scale/model.ts';
import { hands } from '../practice/hands.svelte.ts';
import type { Scale } from './scale.ts';

/** Lines a second, as kitchen scales with a port send them. */
const EVERY_MS = 100;

/** The simulated scale of a story's kitchen: what lies on it, and how it behaves, is what is so there. */
export function practiceScale(): Scale {
	return {
		title: 'in the story’s kitchen',
		open: ({ line, connected }) => {
			const model = scaleModel(Math.random);
			connected(true);
			const sending = setInterval(() => {
				const at_ms = performance.now();
				const is = hands.now?.scale;
				if (is) {
					const put_g = is.load_g - model.state().load_g;
					if (put_g !== 0) model.put(put_g, at_ms);
					const { drift_gPerMinute, batteryLow } = is;
					model.change({ drift_gPerMinute, batteryLow }, at_ms);
				}
				line(model.line(at_ms));
			}, EVERY_MS);
			return Promise.resolve(() => clearInterval(sending));
		}
	};
}
