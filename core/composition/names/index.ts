import { FLOUR_NAMES } from './flours.ts';
import { LIQUID_AND_FAT_NAMES } from './liquids-and-fats.ts';
import type { OtherNames } from './other-names.ts';
import { SEASONING_NAMES } from './seasonings.ts';

/** Names of the shipped reference rows by their id, in the languages makers use for them. */
export const REFERENCE_NAMES: Record<string, OtherNames> = {
	...FLOUR_NAMES,
	...LIQUID_AND_FAT_NAMES,
	...SEASONING_NAMES
};
