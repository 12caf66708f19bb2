/** What a unit measures: a mass, a volume, things counted, or nothing anybody could weigh again. */
export type UnitKind = 'mass' | 'volume' | 'count' | 'vague';

/** A unit by the one name it has here. */
export interface Unit {
	name: string;
	kind: UnitKind;
}

/** Grams of each unit of mass, exactly (computation, section 2). */
export const GRAMS_PER = {
	g: 1,
	kg: 1000,
	mg: 0.001,
	oz: 28.349523125,
	lb: 453.59237,
	/** A stick of butter. */
	stick: 113.4
} as const;

/** Millilitres of the units of volume that are the same everywhere. */
const ML_PER: Record<string, number> = {
	ml: 1,
	cl: 10,
	dl: 100,
	l: 1000,
	'fl oz': 29.5735,
	pint: 473.176,
	quart: 946.353,
	gallon: 3785.41
};

/** The set of cups and spoons a kitchen measures with; it chooses once (section 2). */
export const MEASURE_SETS = ['us', 'metric'] as const;
export type MeasureSet = (typeof MEASURE_SETS)[number];

const HOUSEHOLD_ML: Record<MeasureSet, Record<string, number>> = {
	// 14.7868 and 4.92892 mL, kept as the sixteenth and the forty-eighth of the cup that they are.
	us: { cup: 236.588, tbsp: 236.588 / 16, dessertspoon: 236.588 / 24, tsp: 236.588 / 48 },
	metric: { cup: 250, tbsp: 15, dessertspoon: 10, tsp: 5 }
};

/** Teaspoons in a pinch. */
export const TSP_PER_PINCH = 1 / 16;

/** Millilitres of one unit of volume in a kitchen's set; null for what is not a volume. */
export function millilitresOf(unit: string, set: MeasureSet): number | null {
	const household = HOUSEHOLD_ML[set];
	if (unit === 'pinch') return (household.tsp ?? 0) * TSP_PER_PINCH;
	return household[unit] ?? ML_PER[unit] ?? null;
}

/** Spellings of each unit, in the languages lines are pasted from; matched without accents and case. */
const SPELLINGS: Record<UnitKind, Record<string, string>> = {
	mass: {
		g: 'g|gr|gm|gms|gram|grams|gramme|grammes|gramm|gramo|gramos|grammo|grammi|grama|gramas',
		kg: 'kg|kgs|kilo|kilos|kilogram|kilograms|kilogramme|kilogrammes|kilogramm|kilogramo|kilogramos|chilo|chili|quilo|quilos',
		mg: 'mg|milligram|milligrams|milligramme|milligrammes',
		oz: 'oz|ounce|ounces|onza|onzas|once|onces|unze|unzen',
		lb: 'lb|lbs|pound|pounds|libra|libras|livre|livres',
		stick: 'stick|sticks'
	},
	volume: {
		cup: 'cupful|cupfuls|cangkir|kikombe|vikombe|कप|kap|cup|cups|taza|tazas|tasse|tassen|tasses|tazza|tazze|xicara|xicaras',
		tbsp: 'cda|cdas|cs|yemek kasigi|sendok makan|sdm|kijiko cha chakula|vijiko vya chakula|kijiko kikubwa|vijiko vikubwa|bada chammach|bada chamach|colher sopa|tbsp|tbsps|tbs|tb|tblsp|tblsps|tbl|tablespoon|tablespoons|tablespoonful|tablespoonfuls|cucharada|cucharadas|cucharada sopera|cucharadas soperas|cuillere a soupe|cuilleres a soupe|c. a s.|c. a soupe|cas|el|essloffel|cucchiaio|cucchiai|colher de sopa|colheres de sopa',
		tsp: 'cdta|cdtas|cdita|cditas|cay kasigi|sendok teh|sdt|kijiko cha chai|vijiko vya chai|kijiko kidogo|vijiko vidogo|chhota chammach|chota chammach|chota chamach|tsp|tsps|ts|teaspoon|teaspoons|teaspoonful|teaspoonfuls|cucharadita|cucharaditas|cuillere a cafe|cuilleres a cafe|c. a c.|c. a cafe|cac|tl|teeloffel|cucchiaino|cucchiaini|colher de cha|colheres de cha',
		'fl oz': 'floz|fl oz|fl. oz|fl.oz|fluid oz|fluid ounce|fluid ounces|oz fl|onza liquida|onzas liquidas',
		ml: 'ml|mls|cc|millilitre|millilitres|milliliter|milliliters|mililitro|mililitros|millilitro|millilitri',
		cl: 'cl|centilitre|centilitres|centiliter|centiliters|centilitro|centilitri',
		dl: 'dl|decilitre|decilitres|deciliter|deciliters|decilitro|decilitri|deziliter',
		l: 'l|lt|ltr|litre|litres|liter|liters|litro|litros|litri',
		pint: 'pt|pint|pints',
		quart: 'qt|quart|quarts',
		gallon: 'gal|gallon|gallons',
		dessertspoon: 'dessertspoon|dessertspoons|dessert spoon|dessert spoons|dsp|dstspn|tatli kasigi',
		pinch:
			'tutam|cimdik|sejumput|jumput|pinch|pinches|pizca|pizcas|pincee|pincees|prise|prisen|pizzico|pizzichi|pitada|pitadas'
	},
	count: {
		packet:
			'paket|bungkus|pakiti|packet|packets|sachet|sachets|pkt|pkts|envelope|envelopes|sobre|sobres|packchen|bustina|bustine',
		each: 'each|ea|pc|pcs|piece|pieces|whole',
		clove: 'clove|cloves|diente|dientes|gousse|gousses|zehe|zehen|spicchio|spicchi',
		cake: 'cake|cakes'
	},
	vague: {
		handful:
			'fistful|fistfuls|palmful|palmfuls|handsful|avuc|genggam|konzi|mutthi|muthi|handful|handfuls|punado|punados|poignee|poignees|handvoll',
		knob: 'knob|knobs',
		dash: 'dash|dashes',
		splash: 'splash|splashes',
		drizzle: 'drizzle|drizzles',
		glug: 'glug|glugs',
		dollop: 'dollop|dollops',
		sprinkle: 'sprinkle|sprinkles|sprinkling',
		scoop: 'scoop|scoops',
		ladle: 'ladle|ladles|ladleful',
		spoon:
			'kasik|kasigi|sendok|kijiko|vijiko|chammach|chamach|chamcha|चम्मच|cuchara|cucharas|cuillere|cuilleres|spoon|spoons|spoonful|spoonfuls',
		glass:
			'glassful|su bardagi|bardak|bardagi|gelas|glasi|gilas|glass|glasses|vaso|vasos|verre|verres|bicchiere|bicchieri',
		bowl: 'bowl|bowls|katori|katoris',
		mug: 'mug|mugs',
		bunch: 'bunch|bunches|manojo|bund',
		sprig: 'sprig|sprigs',
		slice: 'slice|slices',
		can: 'can|cans|tin|tins|lata|latas|dose|dosen',
		jar: 'jar|jars',
		package: 'package|packages|pkg|pkgs|pack|packs|paquete|paquetes|paquet|paquets|packung|pacchetto',
		bag: 'bag|bags',
		box: 'box|boxes|carton|cartons',
		bottle: 'bottle|bottles',
		tub: 'tub|tubs',
		drop: 'drop|drops',
		lump: 'lump|lumps|chunk|chunks|blob|blobs',
		thumb: 'thumb|thumbs',
		squeeze: 'squeeze|squeezes',
		shake: 'shake|shakes',
		trickle: 'trickle|slug',
		capful: 'capful|capfuls',
		part: 'part|parts'
	}
};

/** Things sold whole: a weight beside one is the weight of each. */
export const CONTAINERS = ['can', 'jar', 'package', 'bag', 'box', 'bottle', 'tub', 'packet', 'stick', 'cake'];

/** Without accents and case, as words are compared here. */
export function folded(text: string): string {
	return text.normalize('NFD').replace(/\p{M}/gu, '').replace(/ß/g, 'ss').replace(/ı/g, 'i').toLowerCase();
}

const UNITS = new Map<string, Unit>(
	(Object.entries(SPELLINGS) as [UnitKind, Record<string, string>][]).flatMap(([kind, units]) =>
		Object.entries(units).flatMap(([name, spellings]) =>
			spellings.split('|').map((spelling): [string, Unit] => [spelling, { name, kind }])
		)
	)
);

/** One letter means different spoons in the two cases, and nothing else does. */
const LETTERS: Record<string, Unit> = {
	T: { name: 'tbsp', kind: 'volume' },
	t: { name: 'tsp', kind: 'volume' },
	c: { name: 'cup', kind: 'volume' },
	C: { name: 'cup', kind: 'volume' }
};

/** Most words a spelling has. */
const MOST_WORDS = 4;

/**
 * The unit a text begins with, and how many characters it takes, its full stop included; null when it
 * begins with none. The longest spelling wins: `fl oz` is not `fl`, and `g` is not the start of `garlic`.
 */
export function unitAtStart(text: string): { unit: Unit; length: number } | null {
	const words = /^(?:[\p{L}\p{M}]+\.?\s?){1,4}/u.exec(text)?.[0].match(/[\p{L}\p{M}]+\.?\s?/gu) ?? [];
	for (let count = Math.min(words.length, MOST_WORDS); count > 0; count--) {
		const length = words.slice(0, count).join('').trimEnd().length;
		const spelled = folded(text.slice(0, length));
		const bare = text.slice(0, length).replace(/\.$/, '');
		const unit = LETTERS[bare] ?? UNITS.get(spelled) ?? UNITS.get(folded(bare));
		// `2 cup's` is said with the pen.
		if (unit) return { unit, length: length + (/^['’]s\b/.exec(text.slice(length))?.[0].length ?? 0) };
	}
	return null;
}

/** The unit spelled so, by its one name here; null when it is none. */
export function unitNamed(spelling: string): Unit | null {
	const found = unitAtStart(spelling.trim());
	return found && found.length === spelling.trim().length ? found.unit : null;
}
