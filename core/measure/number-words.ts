/** Whole numbers in the words of the languages lines come in. */
export const WHOLE_WORDS: Record<string, number> = {
	...numbered('zero one two three four five six seven eight nine ten eleven twelve'),
	...numbered('thirteen fourteen fifteen sixteen seventeen eighteen nineteen', 13),
	...Object.fromEntries(
		'twenty thirty forty fifty sixty seventy eighty ninety'
			.split(' ')
			.map((word, index) => [word, (index + 2) * 10])
	),
	a: 1,
	an: 1,
	hundred: 100,
	dozen: 12,
	couple: 2,
	pair: 2,
	...numbered('un dos tres cuatro cinco seis siete ocho nueve diez', 1),
	una: 1,
	uno: 1,
	...numbered('un deux trois quatre cinq six sept huit neuf dix', 1),
	une: 1,
	...numbered('ein zwei drei vier funf sechs sieben acht neun zehn', 1),
	eine: 1,
	einen: 1,
	...numbered('uno due tre quattro cinque sei sette otto nove dieci', 1),
	...numbered('um dois tres quatro cinco seis sete oito nove dez', 1),
	uma: 1,
	duas: 2,
	...numbered('ek do teen char paanch', 1),
	...numbered('bir iki uc dort bes', 1),
	...numbered('satu dua tiga empat lima', 1),
	...numbered('moja mbili tatu nne tano', 1)
};

/** Parts of one, said after how many there are of them, or alone: `three quarters`, `half`. */
export const PART_WORDS: Record<string, number> = {
	half: 1 / 2,
	halves: 1 / 2,
	third: 1 / 3,
	thirds: 1 / 3,
	quarter: 1 / 4,
	quarters: 1 / 4,
	fourth: 1 / 4,
	fourths: 1 / 4,
	fifth: 1 / 5,
	fifths: 1 / 5,
	sixth: 1 / 6,
	sixths: 1 / 6,
	eighth: 1 / 8,
	eighths: 1 / 8,
	media: 1 / 2,
	medio: 1 / 2,
	demi: 1 / 2,
	demie: 1 / 2,
	halbe: 1 / 2,
	halber: 1 / 2,
	halbes: 1 / 2,
	mezza: 1 / 2,
	mezzo: 1 / 2,
	meia: 1 / 2,
	meio: 1 / 2,
	yarim: 1 / 2,
	ceyrek: 1 / 4,
	aadha: 1 / 2,
	adha: 1 / 2,
	aadhi: 1 / 2,
	setengah: 1 / 2,
	seperempat: 1 / 4,
	nusu: 1 / 2,
	robo: 1 / 4
};

/** Words that already are more than one and a part. */
export const MIXED_WORDS: Record<string, number> = { dedh: 1.5, dhai: 2.5, anderthalb: 1.5 };

function numbered(words: string, from = 0): Record<string, number> {
	return Object.fromEntries(words.split(' ').map((word, index) => [word, index + from]));
}
