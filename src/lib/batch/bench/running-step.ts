import type { Step } from '$core/formula/process.ts';

/** A step that is going on at some batch. */
export interface RunningStep {
	batchId: string;
	code: string;
	/** Of the formula. */
	name: string;
	step: number;
	kind: Step['kind'];
	text: string;
	minutesLow: number | null;
	minutesHigh: number | null;
	begunAt: string;
}
