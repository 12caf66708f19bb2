const FOCUSABLE =
	'a[href], button:not(:disabled), input:not(:disabled, [type="hidden"], [tabindex="-1"]), textarea:not(:disabled), summary, [role="spinbutton"], [tabindex="0"]';

/** Where the focus was: the element, what it stood in, and behind how many that take the focus. */
interface Place {
	element: Element;
	within: Element[];
	/** Of the nearest few it stands in, how many that take the focus come before it. */
	behind: number[];
}

function placeOf(element: Element): Place {
	const within: Element[] = [];
	for (let at = element.parentElement; at && at !== document.body; at = at.parentElement) within.push(at);
	return {
		element,
		within,
		behind: within.slice(0, 8).map((each) => [...each.querySelectorAll(FOCUSABLE)].indexOf(element))
	};
}

/**
 * The focus never falls to the page: when what had it is taken away or can no longer be pressed, it goes to what stands
 * in its place (the next line of a list, else the one before, else what held it). Gives what ends the watching.
 */
export function keepFocus(): () => void {
	let last: Place | null = null;
	let isAsked = false;
	const note = (event: FocusEvent) => {
		if (event.target instanceof Element && event.target !== document.body) last = placeOf(event.target);
	};
	const look = () => {
		isAsked = false;
		const at = document.activeElement;
		if (!last || (at && at !== document.body)) return;
		const { element, within, behind } = last;
		if (element.isConnected && !element.matches(':disabled')) return;
		for (const [nth, held] of within.entries()) {
			if (!held.isConnected) continue;
			const all = [...held.querySelectorAll<HTMLElement>(FOCUSABLE)].filter((each) => each.checkVisibility());
			const place = Math.max(0, behind[nth] ?? 0);
			const next = all[Math.min(place, all.length - 1)];
			if (!next) continue;
			next.focus({ preventScroll: true });
			return;
		}
		document.querySelector<HTMLElement>('#main')?.focus({ preventScroll: true });
	};
	// A button that waits for its answer is pressed again right after: it keeps its place until then.
	const ask = () => {
		if (isAsked || document.activeElement !== document.body) return;
		isAsked = true;
		setTimeout(look, 60);
	};
	const watch = new MutationObserver(ask);
	watch.observe(document.body, {
		childList: true,
		subtree: true,
		attributes: true,
		attributeFilter: ['disabled', 'hidden']
	});
	document.addEventListener('focusin', note);
	return () => {
		watch.disconnect();
		document.removeEventListener('focusin', note);
	};
}
