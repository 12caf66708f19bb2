import { mean } from '../measure/round.ts';

/** Density of dough until the maker's own discs tell theirs (computation, section 3). */
export const DOUGH_DENSITY_G_PER_ML = 1.12;

/** A flat piece of dough: across and thick. */
export interface Disc {
	diameter_cm: number;
	thickness_mm: number;
}

/** A disc the maker measured and weighed. */
export interface WeighedDisc extends Disc {
	weight_g: number;
}

/** What a disc holds: π·D²/4 · t/10, in millilitres. */
export function discVolume_ml({ diameter_cm, thickness_mm }: Disc): number {
	return ((Math.PI * diameter_cm ** 2) / 4) * (thickness_mm / 10);
}

/** Ball weight of a disc. */
export function discWeight_g(disc: Disc, density: number): number {
	return discVolume_ml(disc) * density;
}

/** How wide a ball opens at a thickness. */
export function discDiameter_cm(ballWeight_g: number, thickness_mm: number, density: number): number {
	return Math.sqrt((4 * ballWeight_g) / (density * Math.PI * (thickness_mm / 10)));
}

/** How thick a ball is when it is opened so wide. */
export function discThickness_mm(ballWeight_g: number, diameter_cm: number, density: number): number {
	return ((4 * ballWeight_g) / (density * Math.PI * diameter_cm ** 2)) * 10;
}

/** Density by the maker's discs, each counting alike; the usual one while there are none. */
export function calibratedDensity(discs: readonly WeighedDisc[]): number {
	return mean(discs.map((disc) => disc.weight_g / discVolume_ml(disc))) ?? DOUGH_DENSITY_G_PER_ML;
}
