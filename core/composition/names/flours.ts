import type { OtherNames } from './other-names.ts';

/** Other names of flours and starches among the reference rows, by id. */
export const FLOUR_NAMES: Record<string, OtherNames> = {
	'flour-ap-enriched': {
		names: [
			'!all purpose flour',
			'!plain flour',
			'enriched flour',
			'enriched all purpose flour',
			'ap flour',
			'white flour',
			'white wheat flour',
			'wheat flour',
			'enriched wheat flour',
			'harina de trigo',
			'farine de ble',
			'weizenmehl'
		]
	},
	'flour-ap': {
		names: [
			'all purpose flour',
			'plain flour',
			'unenriched flour',
			'unenriched all purpose flour',
			'maida',
			'maida flour',
			'white flour',
			'white wheat flour',
			'wheat flour',
			'harina de trigo',
			'farine de ble',
			'weizenmehl'
		]
	},
	'flour-bread-enriched': {
		names: [
			'bread flour',
			'bread making flour',
			'strong flour',
			'strong bread flour',
			'strong white flour',
			'enriched bread flour',
			'white flour',
			'wheat flour'
		]
	},
	'flour-whole-wheat': {
		names: [
			'whole wheat flour',
			'wheat flour',
			'wholewheat flour',
			'wholemeal flour',
			'whole grain wheat flour',
			'whole meal flour',
			'wholemeal wheat flour',
			'graham flour',
			'harina integral',
			'farine complete',
			'vollkornmehl',
			'vollkorn weizenmehl'
		]
	},
	'flour-atta': {
		names: [
			'atta',
			'atta flour',
			'chapati flour',
			'chapatti flour',
			'chappati flour',
			'roti flour',
			'gehun atta',
			'durum atta'
		]
	},
	semolina: {
		names: ['semolina', 'semolina flour', 'sooji', 'suji', 'rava', 'rawa', 'semola', 'semoule', 'griess']
	},
	'flour-spelt': { names: ['spelt flour', 'whole spelt flour', 'dinkelmehl', 'spelt'] },
	'flour-oat': { names: ['oat flour', 'oatmeal flour', 'avena molida'] },
	'flour-barley': { names: ['barley flour', 'jau flour', 'jau ka atta'] },
	'masa-harina-enriched': {
		names: [
			'masa harina',
			'masa',
			'masa flour',
			'corn masa',
			'corn masa flour',
			'masa corn flour',
			'masa de maiz',
			'harina de masa',
			'nixtamal flour',
			'nixtamalized corn flour',
			'tortilla flour',
			'masaharina'
		]
	},
	'flour-corn': {
		names: [
			'!corn flour',
			'maize flour',
			'yellow corn flour',
			'makki ka atta',
			'makki atta',
			'makki flour',
			'harina de maiz',
			'farine de mais',
			'maismehl',
			'cornflour'
		]
	},
	cornstarch: {
		names: ['cornstarch', 'corn starch', 'maize starch', 'maizena', 'cornflour', 'fecula de maiz']
	},
	'flour-rice': {
		names: [
			'rice flour',
			'white rice flour',
			'chawal ka atta',
			'harina de arroz',
			'farine de riz',
			'reismehl'
		]
	},
	'flour-rice-brown': { names: ['brown rice flour'] },
	'flour-chickpea': {
		names: [
			'chickpea flour',
			'chick pea flour',
			'garbanzo flour',
			'garbanzo bean flour',
			'gram flour',
			'besan',
			'besan flour',
			'chana flour',
			'harina de garbanzo',
			'farine de pois chiche',
			'kichererbsenmehl',
			'farina di ceci'
		]
	},
	'flour-buckwheat': {
		names: [
			'buckwheat flour',
			'kuttu',
			'kuttu flour',
			'kuttu ka atta',
			'buchweizenmehl',
			'farine de sarrasin',
			'sarrasin'
		]
	},
	'flour-millet': {
		names: ['millet flour', 'bajra', 'bajra flour', 'bajri flour', 'pearl millet flour', 'bajra atta']
	},
	'flour-sorghum': { names: ['sorghum flour', 'jowar', 'jowar flour', 'jowari flour', 'jowar atta'] },
	'flour-potato': { names: ['potato flour'] },
	tapioca: { names: ['tapioca', 'tapioca starch', 'tapioca flour', 'cassava starch'] },
	'wheat-gluten': { names: ['vital wheat gluten', 'wheat gluten', 'gluten flour', 'vital gluten', 'gluten'] }
};
