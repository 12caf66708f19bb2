let under = 0;

/** Marks the page as busy until the function it gives is called: tests and scripts wait for that. */
export function busy(): () => void {
	under += 1;
	document.documentElement.dataset.busy = 'yes';
	return () => {
		under -= 1;
		if (under === 0) delete document.documentElement.dataset.busy;
	};
}
