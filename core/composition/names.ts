/** What else people call an ingredient, for finding it and for reading lines. */
export interface OtherNames {
	/** Names that mean it; one that begins with `!` means it even where others share the name. */
	names: readonly string[];
	/** Words that make it something else: white pepper is not pepper. */
	not?: readonly string[];
}

/** Names of the shipped reference rows by their id, in the languages makers use for them. */
export const REFERENCE_NAMES: Record<string, OtherNames> = {
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
	'wheat-gluten': { names: ['vital wheat gluten', 'wheat gluten', 'gluten flour', 'vital gluten', 'gluten'] },
	water: {
		names: ['water', 'h2o', 'agua', 'eau', 'wasser', 'acqua', 'pani', 'tap water'],
		not: ['rose', 'coconut', 'sparkling', 'soda', 'pasta', 'potato']
	},
	'milk-whole': {
		names: [
			'milk',
			'whole milk',
			'full fat milk',
			'cow milk',
			'leche',
			'lait',
			'milch',
			'latte',
			'doodh',
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
		names: ['salted butter', 'butter', 'beurre demi sel', 'mantequilla con sal'],
		not: ['peanut', 'almond', 'cocoa', 'apple']
	},
	'butter-unsalted': {
		names: ['unsalted butter', 'sweet butter', 'butter', 'beurre doux', 'mantequilla sin sal'],
		not: ['peanut', 'almond', 'cocoa', 'apple']
	},
	ghee: { names: ['ghee', 'clarified butter', 'butter ghee', 'butter oil', 'desi ghee'] },
	lard: { names: ['lard', 'manteca', 'manteca de cerdo', 'saindoux', 'schmalz', 'strutto', 'pork lard'] },
	shortening: { names: ['shortening', 'vegetable shortening', 'manteca vegetal'] },
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
	molasses: { names: ['molasses', 'blackstrap molasses', 'black treacle', 'melaza'] },
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
		names: ['cumin', 'cumin seed', 'jeera', 'zeera', 'ground cumin', 'comino', 'cumin powder'],
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
	turmeric: { names: ['turmeric', 'turmeric powder', 'haldi', 'curcuma', 'ground turmeric'] },
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
