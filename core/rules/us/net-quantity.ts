import { GRAMS_PER } from '../../measure/units.ts';
import { settled } from '../../measure/round.ts';

const OUNCES_IN_POUND = 16;
/** From here the pounds stand first. */
const POUNDS_FIRST = 4;

/** Rounded down to the tenth: a declaration must not state more than there is. */
const tenthsDown = (value: number): string => String(Math.floor(settled(value * 10)) / 10);

/**
 * The net quantity as it prints in the United States: ounces and grams, `NET WT 12.3 OZ (349 g)`, and from
 * one pound the pounds too, from four pounds these first (21 CFR 101.7). Ounces are rounded down.
 */
export function usNetQuantity(declared_g: number): string {
	const ounces = declared_g / GRAMS_PER.oz;
	if (settled(ounces) < OUNCES_IN_POUND) return `NET WT ${tenthsDown(ounces)} OZ (${declared_g} g)`;
	const pounds = Math.floor(settled(ounces) / OUNCES_IN_POUND);
	const rest = tenthsDown(ounces - pounds * OUNCES_IN_POUND);
	const inPounds = `${pounds} LB${rest === '0' ? '' : ` ${rest} OZ`}`;
	if (pounds >= POUNDS_FIRST) return `NET WT ${inPounds} (${declared_g} g)`;
	return `NET WT ${tenthsDown(ounces)} OZ (${inPounds}) ${declared_g} g`;
}
