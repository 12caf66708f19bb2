import { tick } from 'svelte';

/**
 * Takes the person to the first field that is wrong: of the form that was sent, where it has one. At once when the
 * page shows it, so that what is typed meanwhile does not land elsewhere.
 */
export async function toFirstProblem(sent?: HTMLElement): Promise<void> {
	await tick();
	const wrong = '[aria-invalid="true"]';
	const field = sent?.querySelector<HTMLElement>(wrong) ?? document.querySelector<HTMLElement>(wrong);
	field?.focus();
}
