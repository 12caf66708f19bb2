type Charts = typeof import('./chart.ts');

/**
 * Loads the charts and draws one; what it gives back takes the drawing away, even while it still loads.
 * For an effect: what is drawn is read before, so that a change draws anew.
 */
export function chartIn(draw: (charts: Charts) => () => void): () => void {
	let dispose = () => {};
	let gone = false;
	void import('./chart.ts').then((charts) => {
		if (!gone) dispose = draw(charts);
	});
	return () => {
		gone = true;
		dispose();
	};
}
