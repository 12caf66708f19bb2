import { EXERCISES, SKILLS, type Skill } from './exercises.ts';

/** A finished try of an exercise. */
export interface Tried {
	exercise: string;
	skill: Skill;
	score: number;
	isPassed: boolean;
}

/** How far somebody is in a skill: exercises passed of those there are, and the best of all tries on average. */
export interface SkillProgress {
	skill: Skill;
	passed: number;
	of: number;
	/** Null before any was tried. */
	best: number | null;
}

/** Progress by skill, in the order of `SKILLS`; of an exercise tried again the best try counts. */
export function progressOf(tries: readonly Tried[]): SkillProgress[] {
	return SKILLS.map((skill) => {
		const exercises = EXERCISES.filter((each) => each.skill === skill);
		const bests = exercises.flatMap(({ id }) => {
			const own = tries.filter((tried) => tried.exercise === id);
			return own.length === 0 ? [] : Math.max(...own.map(({ score }) => score));
		});
		return {
			skill,
			passed: exercises.filter(({ id }) => tries.some((tried) => tried.exercise === id && tried.isPassed))
				.length,
			of: exercises.length,
			best: bests.length === 0 ? null : Math.round(bests.reduce((sum, each) => sum + each, 0) / bests.length)
		};
	});
}
