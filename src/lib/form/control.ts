/** What takes the focus to be typed into, chosen or ticked. */
const CONTROL = [
	'input:not([type="hidden"], [tabindex="-1"])',
	'textarea',
	'[role="combobox"]',
	'[role="checkbox"]',
	'[role="radio"]',
	'[role="slider"]',
	'[role="spinbutton"]'
].join(', ');

/** Whether keys typed at it are for it. */
export const isControl = (element: Element | null | undefined): boolean =>
	element?.closest(`${CONTROL}, [contenteditable]`) != null;

/** An element that takes the focus, or the first in it that does. */
export function controlIn(element: Element | null | undefined): HTMLElement | null {
	if (!element) return null;
	return element.matches(CONTROL) ? (element as HTMLElement) : element.querySelector<HTMLElement>(CONTROL);
}
