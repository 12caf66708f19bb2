import { tick } from 'svelte';
import { controlIn, isControl } from './control.ts';

const WRONG = '[aria-invalid="true"]';
const isTyped = (element: Element | null): element is HTMLInputElement | HTMLTextAreaElement =>
	element instanceof HTMLInputElement || element instanceof HTMLTextAreaElement;

/**
 * To be called when something is sent; what it gives takes the person to the first field that was refused, of the
 * form that was sent where it has one. Whoever went on to another field meanwhile, or types, is left there: what they
 * type would land in the wrong one.
 */
export function atSending(sent?: HTMLElement): () => Promise<void> {
	const was = document.activeElement;
	const typed = isTyped(was) ? was.value : '';
	return async () => {
		await tick();
		const is = document.activeElement;
		const wentOn = is !== was && is !== document.body && isControl(is);
		if (wentOn || (isTyped(is) && is === was && is.value !== typed)) return;
		controlIn(sent?.querySelector(WRONG) ?? document.querySelector(WRONG))?.focus();
	};
}
