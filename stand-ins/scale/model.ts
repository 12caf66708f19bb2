/** What a simulated scale is like. */
export interface ScaleTraits {
	division_g: number;
	capacity_g: number;
	/** Zero wanders by this much a minute. */
	drift_gPerMinute: number;
	batteryLow: boolean;
	/** Unplugged: it says nothing. */
	connected: boolean;
}

/** A scale as it stands, for its panel. */
export interface ScaleState extends ScaleTraits {
	/** What lies on it. */
	load_g: number;
}

export const USUAL_SCALE: ScaleTraits = {
	division_g: 0.1,
	capacity_g: 5000,
	drift_gPerMinute: 0,
	batteryLow: false,
	connected: true
};

/** How fast a figure comes to rest, how long the pan swings, and for how long it is called unsteady. */
const SETTLE_S = 0.12;
const SWING_S = 0.2;
const SWING_SHARE = 0.06;
const UNSTEADY_S = 0.6;
const SWING_PER_S = 20;
/** Noise of a reading in steps of the scale, and with a weak battery. */
const NOISE_STEPS = 0.12;
const WEAK_NOISE_STEPS = 0.6;
/** With a weak battery every so many lines say so. */
const WEAK_EVERY = 20;

/** A scale that settles, swings, drifts, is noisy and shows steps, as scales do. Time is given, never read. */
export interface ScaleModel {
	state(): ScaleState;
	/** Puts mass on, or with a negative amount takes it off; never below nothing. */
	put(grams: number, at_ms: number): void;
	change(traits: Partial<ScaleTraits>, at_ms: number): void;
	/** The line of text it sends at a moment. */
	line(at_ms: number): string;
}

/** Before a scale was ever touched: long settled. */
const LONG_AGO_MS = 1e9;

/** `random` gives numbers from 0 to 1. */
export function scaleModel(random: () => number, traits: Partial<ScaleTraits> = {}): ScaleModel {
	let now: ScaleTraits = { ...USUAL_SCALE, ...traits };
	let load_g = 0;
	let before_g = 0;
	let changed_ms = -LONG_AGO_MS;
	let zero_g = 0;
	let drifted_ms: number | null = null;
	let lines = 0;

	/** What the cell feels: it comes to the load, swinging. */
	const felt_g = (at_ms: number) => {
		const since_s = (at_ms - changed_ms) / 1000;
		const step_g = load_g - before_g;
		const settled_g = load_g - step_g * Math.exp(-since_s / SETTLE_S);
		return settled_g + SWING_SHARE * step_g * Math.exp(-since_s / SWING_S) * Math.sin(SWING_PER_S * since_s);
	};
	const drift = (at_ms: number) => {
		if (drifted_ms !== null) zero_g += (now.drift_gPerMinute * (at_ms - drifted_ms)) / 60_000;
		drifted_ms = at_ms;
	};
	/** Twelve of these summed are near enough to normal, with a spread of 1. */
	const normal = () => Array.from({ length: 12 }, random).reduce((sum, each) => sum + each, -6);

	return {
		state: () => ({ ...now, load_g }),
		put: (grams, at_ms) => {
			drift(at_ms);
			before_g = felt_g(at_ms);
			load_g = Math.max(0, load_g + grams);
			changed_ms = at_ms;
		},
		change: (more, at_ms) => {
			drift(at_ms);
			now = { ...now, ...more };
		},
		line: (at_ms) => {
			drift(at_ms);
			lines += 1;
			if (now.batteryLow && lines % WEAK_EVERY === 0) return 'LO BAT';
			if (load_g > now.capacity_g) return 'OL';
			const noise_g = normal() * now.division_g * (now.batteryLow ? WEAK_NOISE_STEPS : NOISE_STEPS);
			const steps = Math.round((felt_g(at_ms) + zero_g + noise_g) / now.division_g);
			const decimals = Math.max(0, -Math.floor(Math.log10(now.division_g)));
			const resting = Math.abs(felt_g(at_ms) - load_g) < now.division_g / 2;
			const steady = resting && (at_ms - changed_ms) / 1000 >= UNSTEADY_S;
			return `${(steps * now.division_g + 0).toFixed(decimals).padStart(9)} g ${steady ? 'S' : '~'}`;
		}
	};
}
