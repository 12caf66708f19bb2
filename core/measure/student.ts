/**
 * Student's t for a probability below it, such as 0.975 with 11 degrees of freedom: 2.201. `degrees` is
 * a whole number from 1; throws a RangeError otherwise. From the finite series of the distribution for
 * whole degrees of freedom (Abramowitz and Stegun 26.7.3 and 26.7.4), inverted by halving.
 */
export function studentT(probability: number, degrees: number): number {
	if (!Number.isInteger(degrees) || degrees < 1) throw new RangeError(`${degrees} degrees of freedom`);
	if (probability <= 0.5 || probability >= 1) throw new RangeError(`a probability of ${probability}`);
	const within = 2 * probability - 1;
	let [low, high] = [0, 1];
	while (shareWithin(high, degrees) < within) high *= 2;
	for (let step = 0; step < HALVINGS; step++) {
		const middle = (low + high) / 2;
		if (shareWithin(middle, degrees) < within) low = middle;
		else high = middle;
	}
	return (low + high) / 2;
}

/** Enough to settle every digit a number has. */
const HALVINGS = 80;

/** The share of the distribution between −t and t. */
function shareWithin(t: number, degrees: number): number {
	const angle = Math.atan(t / Math.sqrt(degrees));
	const [sine, cosine] = [Math.sin(angle), Math.cos(angle)];
	const isOdd = degrees % 2 === 1;
	let term = isOdd ? cosine : 1;
	let sum = degrees === 1 ? 0 : term;
	for (let power = isOdd ? 3 : 2; power <= degrees - 2; power += 2) {
		term *= (cosine * cosine * (power - 1)) / power;
		sum += term;
	}
	return isOdd ? (2 / Math.PI) * (angle + sine * sum) : sine * sum;
}
