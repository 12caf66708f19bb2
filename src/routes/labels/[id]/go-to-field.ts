/** Goes to a field of the design: what it stands in is opened, and its first input has the focus. */
export function goToField(field: string): void {
	const at = document.querySelector<HTMLElement>(`[data-field="${field}"]`);
	at?.closest('details')?.setAttribute('open', '');
	if (at instanceof HTMLDetailsElement) at.open = true;
	(at?.querySelector<HTMLElement>('input, textarea, select') ?? at)?.focus();
}
