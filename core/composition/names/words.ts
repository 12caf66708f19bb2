/** Names in other languages, and the commonest slip, for what is only a kind: several ingredients share them. */
export const KIND_WORDS: Record<string, string> = {
	flower: 'flour',
	harina: 'flour',
	farine: 'flour',
	mehl: 'flour',
	farina: 'flour',
	farinha: 'flour',
	aceite: 'oil',
	huile: 'oil',
	ol: 'oil',
	olio: 'oil',
	tel: 'oil',
	mantequilla: 'butter',
	beurre: 'butter',
	burro: 'butter',
	makhan: 'butter',
	levadura: 'yeast',
	levure: 'yeast',
	hefe: 'yeast',
	lievito: 'yeast'
};

/** Words that say how it is, not what it is; left over beside a name they change nothing. */
export const DESCRIPTIONS = new Set(
	`warm lukewarm cold cool hot boiling ice iced tepid room temperature temp at filtered drinking fresh freshly sifted
	unsifted packed firmly lightly loosely level heaped heaping rounded scant generous good large medium small big extra
	melted softened soft hard chilled cubed diced chopped minced grated shredded sliced crushed peeled beaten whisked
	toasted roasted raw ground finely coarsely roughly fine coarse organic plain unbleached bleached virgin light dark pure
	natural ripe rinsed drained squeezed white black golden yellow quality favorite favourite any your the an of and or
	more some about tibia caliente fria chaude tiede froide warmes kaltes lauwarmes calda fredda tiepida de del la el le
	les du des di d l en em dried dry whole seedless refined
	cup-for-cup stone stoneground double acting`
		.split(/\s+/)
		.filter(Boolean)
);
