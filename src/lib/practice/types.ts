import type { Exercise, Skill } from '$core/practice/exercises.ts';
import type { Grade } from '$core/practice/grade.ts';
import type { Hand } from '$core/practice/hands.ts';
import type { Lie } from '$core/practice/lies.ts';
import type { OwnExercise } from '$core/practice/own.ts';
import type { Claim, SlipKind } from '$core/practice/slips.ts';
import type { RibbonFigures } from '$core/ribbon/ribbon.ts';

/** The exercise somebody is in, as every page says it. */
export interface PracticeHere {
	/** Of the try, and of its kitchen. */
	id: string;
	name: string;
	story: string;
	goal: string;
	minutes: number;
	isFinished: boolean;
	/** Where its batch is worked; null where it has none. */
	batchId: string | null;
}

/** What hands can do now, what was seen last, and what the scale feels. Of what is hidden nothing. */
export interface HandsNow {
	hands: Hand[];
	told: string;
	minutes: number;
	scale: { load_g: number; drift_gPerMinute: number; batteryLow: boolean };
	/** What lies on the scale, in words; empty where nothing does. */
	lying: string;
	hints: string[];
	/** What the next hint takes off; null where there is none left. */
	hintCost: number | null;
}

/** An exercise in the list, and how it went so far. */
export interface ListedExercise extends Pick<
	Exercise,
	'id' | 'name' | 'story' | 'goal' | 'minutes' | 'skill'
> {
	/** Of all tries the best; null before any. */
	best: { score: number; isPassed: boolean } | null;
	tries: number;
}

/** What a claim can be about in a story. */
export type Subjects = Readonly<Record<'line' | 'container' | 'equipment' | 'batch', string[]>>;

/** What is asked at the end. */
export interface SayBasis {
	slips: { slip: SlipKind; words: string; of: keyof Subjects | null }[];
	subjects: Subjects;
	/** What is still open at the bench, so that nobody finishes by mistake. */
	open: string[];
}

/** What came of a try: kept, and shown afterwards. */
export interface Outcome {
	grade: Grade;
	/** What was hidden, in words, and when it could have been seen. */
	hidden: string;
	moments: string[];
	lies: Lie[];
	/** The true ribbon and theirs; null where there is no dough to draw. */
	ribbons: { really: RibbonFigures; theirs: RibbonFigures | null } | null;
	minutes: number;
	hints: number;
	skill: Skill;
	next: { id: string; name: string };
}

/** A try with what came of it. */
export interface Finished {
	id: string;
	exercise: string;
	name: string;
	seed: number;
	/** The batch an own exercise was made of; null of one of the list. */
	ofBatch: string | null;
	claims: Claim[];
	outcome: Outcome;
}

/** How an exercise of one’s own is kept: the batch it was made of, and what it was made into. */
export type KeptOwn = OwnExercise & { batchId: string };
