import type { OtherNames } from './other-names.ts';

/** Other names of salt, leavening, egg, seeds, spices and produce among the reference rows, by id. */
export const SEASONING_NAMES: Record<string, OtherNames> = {
	salt: {
		names: [
			'!salt',
			'table salt',
			'fine salt',
			'fine sea salt',
			'seasalt',
			'cooking salt',
			'namak',
			'sal',
			'sel',
			'salz',
			'sale',
			'sale fino',
			'sea salt',
			'sal fina',
			'sel fin'
		],
		not: ['black', 'pink', 'celery', 'garlic', 'epsom']
	},
	'salt-kosher': {
		names: [
			'kosher salt',
			'coarse salt',
			'coarse sea salt',
			'flaky salt',
			'flake salt',
			'flaky sea salt',
			'coarse flake salt',
			'sea salt',
			'sal gruesa',
			'gros sel'
		]
	},
	'baking-soda': {
		names: [
			'baking soda',
			'bicarbonate of soda',
			'bicarb',
			'bicarb soda',
			'sodium bicarbonate',
			'bicarbonato de sodio',
			'bicarbonato',
			'natron',
			'bicarbonate de soude'
		]
	},
	'baking-powder': {
		names: [
			'!baking powder',
			'double acting baking powder',
			'polvo de hornear',
			'backpulver',
			'levure chimique',
			'aluminum baking powder'
		]
	},
	'baking-powder-phosphate': {
		names: [
			'baking powder',
			'phosphate baking powder',
			'aluminum free baking powder',
			'aluminium free baking powder',
			'straight phosphate baking powder'
		]
	},
	'cream-of-tartar': { names: ['cream of tartar', 'cream tartar', 'tartaric cream'] },
	'yeast-dry': {
		names: [
			'dry yeast',
			'dried yeast',
			'active dry yeast',
			'instant yeast',
			'instant dry yeast',
			'fast action yeast',
			'rapid rise yeast',
			'quick yeast',
			'easy bake yeast',
			'bread machine yeast',
			'levadura seca',
			'trockenhefe',
			'levure seche'
		],
		not: ['fresh']
	},
	'yeast-fresh': {
		names: [
			'fresh yeast',
			'cake yeast',
			'compressed yeast',
			'baker s yeast',
			'bakers yeast',
			'levadura fresca',
			'frische hefe',
			'levure fraiche',
			'frischhefe'
		]
	},
	egg: {
		names: ['egg', 'whole egg', 'huevo', 'oeuf', 'ei', 'eier', 'uovo', 'uova', 'anda'],
		not: ['white', 'yolk']
	},
	'sesame-seed': {
		names: [
			'sesame seed',
			'sesame',
			'til',
			'ajonjoli',
			'sesamo',
			'graine de sesame',
			'semillas de sesamo',
			'white sesame seed',
			'black sesame seed'
		]
	},
	tahini: { names: ['tahini', 'tahina', 'sesame paste'] },
	'pumpkin-seed': { names: ['pumpkin seed', 'pepita', 'pumpkin seed kernel', 'semillas de calabaza'] },
	'sunflower-seed': {
		names: ['sunflower seed', 'sunflower kernel', 'sunflower seed kernel', 'semillas de girasol']
	},
	flaxseed: {
		names: [
			'flaxseed',
			'flax seed',
			'ground flax',
			'ground flaxseed',
			'flax meal',
			'flaxmeal',
			'flaxseed meal',
			'linseed',
			'alsi',
			'linaza'
		]
	},
	chia: { names: ['chia', 'chia seed'] },
	cumin: {
		names: [
			'cumin',
			'cumin seed',
			'jeera',
			'jeera powder',
			'zeera',
			'ground cumin',
			'comino',
			'cumin powder'
		],
		not: ['black']
	},
	'black-pepper': {
		names: [
			'black pepper',
			'pepper',
			'ground pepper',
			'peppercorn',
			'pimienta',
			'pimienta negra',
			'poivre',
			'pfeffer',
			'kali mirch'
		],
		not: ['white', 'cayenne', 'bell', 'chili', 'red', 'green']
	},
	oregano: { names: ['oregano', 'dried oregano'], not: ['fresh'] },
	thyme: { names: ['thyme', 'dried thyme', 'tomillo', 'thym'], not: ['fresh'] },
	'parsley-dried': { names: ['dried parsley', 'parsley', 'parsley flake'], not: ['fresh'] },
	paprika: { names: ['paprika', 'sweet paprika', 'smoked paprika', 'pimenton'] },
	turmeric: { names: ['turmeric', 'turmeric powder', 'haldi', 'haldi powder', 'curcuma', 'ground turmeric'] },
	'fenugreek-seed': {
		names: ['fenugreek seed', 'fenugreek', 'methi seed', 'methi dana'],
		not: ['leaf', 'leaves']
	},
	'garlic-powder': { names: ['garlic powder', 'granulated garlic', 'ajo en polvo'] },
	'onion-powder': { names: ['onion powder', 'granulated onion'] },
	'garlic-raw': {
		names: ['garlic', 'fresh garlic', 'garlic clove', 'ajo', 'ail', 'knoblauch', 'lehsun', 'minced garlic']
	},
	'coriander-leaf': {
		names: [
			'cilantro',
			'coriander leaf',
			'coriander leaves',
			'fresh coriander',
			'green coriander',
			'dhania leaves',
			'hara dhania',
			'cilantro leaf',
			'cilantro leaves'
		]
	},
	spinach: { names: ['spinach', 'baby spinach', 'palak', 'espinaca', 'epinards', 'spinat'] },
	'potato-boiled': {
		names: ['boiled potato', 'mashed potato', 'cooked potato', 'potato', 'aloo', 'papa', 'patata'],
		not: ['sweet']
	},
	beet: {
		names: ['beet', 'beetroot', 'red beet', 'raw beet', 'chukandar', 'remolacha', 'betabel', 'rote bete']
	},
	pumpkin: { names: ['pumpkin puree', 'canned pumpkin', 'pumpkin', 'pure de calabaza', 'pumpkin purée'] },
	'lemon-juice': {
		names: [
			'lemon juice',
			'juice of lemon',
			'fresh lemon juice',
			'jugo de limon',
			'jus de citron',
			'zitronensaft'
		]
	}
};
