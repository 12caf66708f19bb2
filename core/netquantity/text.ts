import type { RulesName } from '../formula/types.ts';
import { GRAMS_PER } from '../measure/units.ts';
import { settled } from '../measure/round.ts';

const OUNCES_IN_POUND = 16;

/** Rounded down to the tenth: a declaration must not state more than there is. */
const tenthsDown = (value: number): string => String(Math.floor(settled(value * 10)) / 10);

/**
 * The net quantity as it prints. In the United States ounces and grams, `NET WT 12.3 OZ (349 g)`, and
 * from one pound the pounds too (21 CFR 101.7); elsewhere metric alone. Ounces are rounded down.
 */
export function netQuantityText(rules: RulesName, declared_g: number): string {
	if (rules === 'eu') return declared_g < 1000 ? `${declared_g} g` : `${declared_g / 1000} kg`;
	const ounces = declared_g / GRAMS_PER.oz;
	if (settled(ounces) < OUNCES_IN_POUND) return `NET WT ${tenthsDown(ounces)} OZ (${declared_g} g)`;
	const pounds = Math.floor(settled(ounces) / OUNCES_IN_POUND);
	const rest = tenthsDown(ounces - pounds * OUNCES_IN_POUND);
	return `NET WT ${tenthsDown(ounces)} OZ (${pounds} LB${rest === '0' ? '' : ` ${rest} OZ`}) ${declared_g} g`;
}
