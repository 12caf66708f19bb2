import { readScaleLine } from '$core/scale/line.ts';
import { recent, steadyReading_g, type Sample } from '$core/scale/steady.ts';
import { settled } from '$core/measure/round.ts';
import type { Scale } from './scale.ts';

const CHOICE = 'square-batch:scale';
/** A scale whose battery is weak says so more often than this. */
const LINES_WITH_GOOD_BATTERY = 100;
const TARE = 'square-batch:tare';
const AUTO = 'square-batch:scale-auto';

/** The scale in use on this device: what it shows, how steady it is, and what is taken off for the bowl. */
class ScaleDock {
	title = $state('');
	connected = $state(false);
	/** What lies on it, as its last line said; null before any. */
	load_g = $state<number | null>(null);
	/** The steady load; null while it moves. */
	steady_g = $state<number | null>(null);
	overload = $state(false);
	batteryLow = $state(false);
	trouble = $state('');
	/** Taken off every reading: the empty bowl, or what was on it. */
	tare_g = $state(0);
	/** Whether steady readings are taken by themselves. */
	auto = $state(false);
	#samples: Sample[] = [];
	#division_g = 1;
	#sinceLow = 0;
	/** Counts who listens, so that one scale's lines never pass for another's. */
	#turn = 0;
	#close: (() => Promise<void> | void) | null = null;

	/** The steps of the kitchen's scale, and what this device was told to do before. */
	prepare(division_g: number): void {
		this.#division_g = division_g;
		this.auto = localStorage.getItem(AUTO) === 'yes';
	}

	/** What was chosen on this device; '' before anything was. */
	get choice(): string {
		return localStorage.getItem(CHOICE) ?? '';
	}

	setAuto(is: boolean): void {
		this.auto = is;
		localStorage.setItem(AUTO, is ? 'yes' : 'no');
	}

	/** Listens to another scale, or with null to none; `choice` is remembered on this device, null is not. */
	async use(scale: Scale | null, choice: string | null): Promise<void> {
		const turn = await this.leave();
		// Another was chosen, or the page left, while the one before was being closed.
		if (turn !== this.#turn) return;
		if (choice !== null) localStorage.setItem(CHOICE, choice);
		this.title = scale?.title ?? '';
		if (!scale) return;
		// A scale that is no longer the chosen one is not heard, whenever it gets round to closing.
		const isMine = () => turn === this.#turn;
		try {
			const close = await scale.open({
				line: (text) => isMine() && this.#line(text),
				connected: (is) => isMine() && this.#connected(is)
			});
			if (isMine()) this.#close = close;
			else await close();
		} catch (error) {
			this.trouble = error instanceof Error ? error.message : 'the scale could not be opened';
		}
	}

	/** Stops listening; the turn of whoever listens next. */
	async leave(): Promise<number> {
		const turn = ++this.#turn;
		const close = this.#close;
		this.#close = null;
		await close?.();
		if (turn === this.#turn) {
			this.#connected(false);
			this.trouble = '';
		}
		return turn;
	}

	/** What lies on it less the tare. */
	get net_g(): number | null {
		return this.load_g === null ? null : settled(this.load_g - this.tare_g);
	}

	/** The steady reading less the tare; null while it moves. */
	get steadyNet_g(): number | null {
		return this.steady_g === null ? null : settled(this.steady_g - this.tare_g);
	}

	/** From now on what lies on it counts as nothing. */
	tare(): void {
		this.setTare(this.steady_g ?? this.load_g ?? 0);
	}

	/** Takes so much off from now on; it stays off when the page is read again, for the bowl still stands there. */
	setTare(grams: number): void {
		this.tare_g = grams;
		sessionStorage.setItem(TARE, String(grams));
	}

	/** Takes off what was taken off before the page was read again. */
	restoreTare(): void {
		this.tare_g = Number(sessionStorage.getItem(TARE) ?? 0);
	}

	#connected(is: boolean): void {
		this.connected = is;
		if (is) return;
		this.load_g = null;
		this.steady_g = null;
		this.overload = false;
		this.#samples = [];
	}

	#line(text: string): void {
		const read = readScaleLine(text);
		if (!read) return;
		if (read.state === 'battery low') {
			this.batteryLow = true;
			this.#sinceLow = 0;
			return;
		}
		this.#sinceLow += 1;
		if (this.#sinceLow > LINES_WITH_GOOD_BATTERY) this.batteryLow = false;
		this.overload = read.state === 'overload';
		if (read.state !== 'weight') {
			this.load_g = null;
			this.steady_g = null;
			this.#samples = [];
			return;
		}
		const at_ms = performance.now();
		this.#samples = [...recent(this.#samples, at_ms), { grams: read.grams, at_ms, steady: read.steady }];
		this.load_g = read.grams;
		this.steady_g = steadyReading_g(this.#samples, this.#division_g);
	}
}

/** The scale of this device. */
export const dock = new ScaleDock();
