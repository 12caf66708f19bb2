import type { OtherNames } from './other-names.ts';

/** Other names of water, dairy, fats, oils and sweeteners among the reference rows, by id. */
export const LIQUID_AND_FAT_NAMES: Record<string, OtherNames> = {
	water: {
		names: ['water', 'h2o', 'agua', 'eau', 'wasser', 'acqua', 'pani', 'tap water'],
		not: ['rose', 'coconut', 'sparkling', 'soda', 'pasta', 'potato']
	},
	'milk-whole': {
		names: [
			'?milk',
			'whole milk',
			'full fat milk',
			'cow milk',
			'?leche',
			'?lait',
			'?milch',
			'?latte',
			'?doodh',
			'full cream milk'
		],
		not: [
			'condensed',
			'evaporated',
			'skim',
			'skimmed',
			'almond',
			'oat',
			'soy',
			'2%',
			'1%',
			'0%',
			'semi',
			'low'
		]
	},
	buttermilk: {
		names: [
			'buttermilk',
			'butter milk',
			'cultured buttermilk',
			'low fat buttermilk',
			'chaas',
			'suero de leche',
			'babeurre',
			'buttermilch'
		]
	},
	'yogurt-whole': {
		names: [
			'yogurt',
			'yoghurt',
			'yogourt',
			'plain yogurt',
			'plain yoghurt',
			'natural yogurt',
			'natural yoghurt',
			'whole milk yogurt',
			'full fat yogurt',
			'curd',
			'dahi',
			'yaourt',
			'joghurt',
			'yogur'
		]
	},
	'milk-powder-nonfat': {
		names: [
			'milk powder',
			'dry milk',
			'dried milk',
			'powdered milk',
			'nonfat dry milk',
			'non fat dry milk',
			'nonfat milk powder',
			'skim milk powder',
			'skimmed milk powder',
			'dry milk powder',
			'leche en polvo',
			'milchpulver'
		]
	},
	'coconut-milk': { names: ['coconut milk', 'canned coconut milk', 'leche de coco', 'lait de coco'] },
	'butter-salted': {
		names: ['salted butter', 'butter', 'fat', 'beurre demi sel', 'mantequilla con sal'],
		not: ['peanut', 'almond', 'cocoa', 'apple']
	},
	'butter-unsalted': {
		names: ['unsalted butter', 'sweet butter', 'butter', 'fat', 'beurre doux', 'mantequilla sin sal'],
		not: ['peanut', 'almond', 'cocoa', 'apple']
	},
	ghee: { names: ['ghee', 'fat', 'clarified butter', 'butter ghee', 'butter oil', 'desi ghee'] },
	lard: {
		names: ['lard', 'fat', 'manteca', 'manteca de cerdo', 'saindoux', 'schmalz', 'strutto', 'pork lard']
	},
	shortening: { names: ['shortening', 'fat', 'vegetable shortening', 'manteca vegetal'] },
	'oil-olive': {
		names: [
			'olive oil',
			'extra virgin olive oil',
			'evoo',
			'azeite',
			'aceite de oliva',
			'huile d olive',
			'huile olive',
			'olivenol',
			'olio d oliva'
		]
	},
	'oil-canola': {
		names: [
			'canola oil',
			'rapeseed oil',
			'canola',
			'vegetable oil',
			'neutral oil',
			'huile de colza',
			'rapsol',
			'aceite de canola'
		]
	},
	'oil-sunflower': {
		names: [
			'sunflower oil',
			'sunflower seed oil',
			'vegetable oil',
			'neutral oil',
			'aceite de girasol',
			'huile de tournesol',
			'sonnenblumenol'
		]
	},
	'oil-soybean': { names: ['soybean oil', 'soya oil', 'soy oil', 'vegetable oil', 'neutral oil'] },
	'oil-corn': { names: ['corn oil', 'maize oil', 'vegetable oil', 'neutral oil', 'aceite de maiz'] },
	'oil-avocado': { names: ['avocado oil', 'aceite de aguacate', 'huile d avocat'] },
	'oil-coconut': { names: ['coconut oil', 'aceite de coco', 'huile de coco', 'kokosol'] },
	'oil-sesame': { names: ['sesame oil', 'toasted sesame oil', 'gingelly oil', 'til oil', 'sesame seed oil'] },
	'oil-peanut': { names: ['peanut oil', 'groundnut oil', 'cold pressed peanut oil'] },
	sugar: {
		names: [
			'sugar',
			'white sugar',
			'granulated sugar',
			'caster sugar',
			'castor sugar',
			'cane sugar',
			'superfine sugar',
			'azucar',
			'sucre',
			'zucker',
			'zucchero',
			'acucar',
			'cheeni',
			'chini'
		],
		not: ['icing', 'powdered', 'confectioners']
	},
	'sugar-brown': {
		names: [
			'brown sugar',
			'light brown sugar',
			'dark brown sugar',
			'soft brown sugar',
			'azucar morena',
			'sucre brun',
			'brauner zucker'
		]
	},
	jaggery: { names: ['jaggery', 'gur', 'gud', 'piloncillo', 'panela'] },
	honey: { names: ['honey', 'miel', 'honig', 'miele', 'shahad'] },
	molasses: { names: ['molasses', 'blackstrap molasses', 'black treacle', 'melaza'] }
};
