import type { Doubt } from '$core/formula/said/read-line.ts';
import type { Use } from '$core/formula/types.ts';

/** What a line says beside its first ingredient and grams. */
export interface SaidBeside {
	/** The best of what it could be, three at most. */
	candidates?: string[];
	use?: Use;
	temperature_c?: number;
	/** Each line of a sentence that says several: ingredient or best candidate, amount, unit, grams, use. */
	lines?: [
		ingredient: string | null,
		amount: number | null,
		unit: string | null,
		grams: number | null,
		use: Use | null
	][];
}

/** A line as somebody said it, and what it comes to: ingredient, amount, unit, grams (low, high), doubts. */
export type Phrasing = [
	text: string,
	ingredient: string | null,
	amount: number | null,
	unit: string | null,
	grams: [grams: number, low: number, high: number] | null,
	doubts: Doubt[],
	beside?: SaidBeside
];

/** Grams to the ten-thousandth; the ingredients are the shipped rows, whose measures are in ingredients.csv. */
export const PHRASINGS: Phrasing[] = [
	['2 ¼ cups bread flour', 'flour-bread-enriched', 2.25, 'cup', [292.5, 270, 337.5], []],
	['3/4 cup (180 ml) warm water', 'water', 0.75, 'cup', [180.0091, 180.0091, 180.0091], []],
	[
		'2-3 tbsp oil',
		null,
		2.5,
		'tbsp',
		[33.75, 25.6, 42],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['1 packet yeast', 'yeast-dry', 1, 'packet', [7, 7, 7], []],
	['pinch of salt', 'salt', 1, 'pinch', [0.375, 0.3438, 0.3937], []],
	['a pinch of salt', 'salt', 1, 'pinch', [0.375, 0.3438, 0.3937], []],
	['salt to taste', 'salt', null, null, null, ['no-amount']],
	['about 500 g', null, 500, 'g', [500, 500, 500], ['unknown-ingredient']],
	['¾ cup or 125 mL of water', 'water', 0.75, 'cup', [125.0063, 125.0063, 125.0063], ['volume-conflict']],
	[
		'1,5 kg Mehl',
		null,
		1.5,
		'kg',
		[1500, 1500, 1500],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['1-1/2 cups whole wheat flour', 'flour-whole-wheat', 1.5, 'cup', [180, 169.5, 202.5], []],
	['1 cup + 2 tbsp masa harina', 'masa-harina-enriched', 1.125, 'cup', [128.25, 118.125, 140.625], []],
	['2 garlic cloves, minced', 'garlic-raw', 2, 'clove', [6, 4, 12], []],
	['2 cloves garlic', 'garlic-raw', 2, 'clove', [6, 4, 12], []],
	['1 (14 oz) can coconut milk', 'coconut-milk', 14, 'oz', [396.8933, 396.8933, 396.8933], []],
	['2 14-oz cans coconut milk', 'coconut-milk', 28, 'oz', [793.7866, 793.7866, 793.7866], []],
	[
		'2 x 250 g butter',
		null,
		500,
		'g',
		[500, 500, 500],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	[
		'1 stick butter',
		null,
		1,
		'stick',
		[113.4, 113.4, 113.4],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	['3 blorps of salt', 'salt', 3, 'blorps', null, ['unknown-unit']],
	[
		'a handful of flour',
		null,
		1,
		'handful',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['1 handful cilantro', 'coriander-leaf', 1, 'handful', null, ['vague-unit']],
	['2 large eggs', 'egg', 2, 'each', [100, 92, 114], []],
	['half a cup of yogurt', 'yogurt-whole', 0.5, 'cup', [122.5, 120, 125], []],
	['1/2 c. buttermilk', 'buttermilk', 0.5, 'cup', [122.5, 121.5, 123.5], []],
	['2 T olive oil', 'oil-olive', 2, 'tbsp', [27, 26.6, 27.6], []],
	['1 t baking powder', 'baking-powder', 1, 'tsp', [4.6, 4, 5], []],
	['500g bread flour', 'flour-bread-enriched', 500, 'g', [500, 500, 500], []],
	[
		'flour 500 g',
		null,
		500,
		'g',
		[500, 500, 500],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['Water – 300 ml', 'water', 300, 'ml', [300.0152, 300.0152, 300.0152], []],
	['salt: 10 g', 'salt', 10, 'g', [10, 10, 10], []],
	['1,130 g water', 'water', 1130, 'g', [1130, 1130, 1130], []],
	[
		'1.500 g harina',
		null,
		1500,
		'g',
		[1500, 1500, 1500],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['2 tazas de harina de maíz', 'flour-corn', 2, 'cup', [234, 220, 250], []],
	['1 cucharadita de sal', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	[
		'2 EL Öl',
		null,
		2,
		'tbsp',
		[27, 25.6, 28],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['1 TL Salz', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	["2 cuillères à soupe d'huile d'olive", 'oil-olive', 2, 'tbsp', [27, 26.6, 27.6], []],
	['4¾ cups warm water, keep ¼ cup back', 'water', 4.75, 'cup', [1123.85, 1123.85, 1123.85], []],
	['1 tbsp. kosher salt', 'salt-kosher', 1, 'tbsp', [10.5, 8.4, 15], []],
	['10 oz bread flour', 'flour-bread-enriched', 10, 'oz', [283.4952, 283.4952, 283.4952], []],
	['8 fl oz whole milk', 'milk-whole', 8, 'fl oz', [244, 242, 246], []],
	['2 tsp instant yeast (7 g)', 'yeast-dry', 2, 'tsp', [7, 7, 7], ['volume-conflict']],
	['1 cup (200 g) bread flour', 'flour-bread-enriched', 1, 'cup', [200, 200, 200], ['volume-conflict']],
	[
		'1 cup flour',
		null,
		1,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	[
		'2 cups all-purpose flour, plus more for dusting',
		'flour-ap-enriched',
		2,
		'cup',
		[250, 236, 290],
		[],
		{
			lines: [
				['flour-ap-enriched', 2, 'cup', 250, null],
				['flour-ap-enriched', null, null, null, 'dusting']
			]
		}
	],
	['all-purpose flour, 2 cups', 'flour-ap-enriched', 2, 'cup', [250, 236, 290], []],
	['1 cup dragonfruit', null, 1, 'cup', null, ['unknown-ingredient']],
	['2% milk, 1 cup', null, 1, 'cup', null, ['unknown-ingredient']],
	['1 cup 2% milk', null, 1, 'cup', null, ['unknown-ingredient']],
	[
		'some flour',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['water as needed', 'water', null, null, null, ['no-amount']],
	['ghee for brushing', 'ghee', null, null, null, ['no-amount'], { use: 'brushing' }],
	[
		'1 knob of butter',
		null,
		1,
		'knob',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	['2 to 3 tablespoons sesame seeds', 'sesame-seed', 2.5, 'tbsp', [22.5, 17, 28.5], []],
	['1 tsp jeera', 'cumin', 1, 'tsp', [2.1, 1.9, 2.4], []],
	['2 cups atta', 'flour-atta', 2, 'cup', [250, 230, 280], []],
	['1/2 tsp haldi', 'turmeric', 0.5, 'tsp', [1.5, 1.1, 1.6], []],
	['1 beet', 'beet', 1, 'each', null, ['no-density']],
	['0.5 l water', 'water', 0.5, 'l', [500.0254, 500.0254, 500.0254], []],
	['1 lb masa', 'masa-harina-enriched', 1, 'lb', [453.5924, 453.5924, 453.5924], []],
	[
		'1 dl milk',
		null,
		1,
		'dl',
		[103.1329, 102.2875, 103.9782],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'] }
	],
	['2 sprigs thyme', 'thyme', 2, 'sprig', null, ['vague-unit']],
	['1 cup peanut butter', null, 1, 'cup', null, ['unknown-ingredient']],
	['1 cup almond flour', null, 1, 'cup', null, ['unknown-ingredient']],
	['5 lbs. bread flour', 'flour-bread-enriched', 5, 'lb', [2267.9619, 2267.9619, 2267.9619], []],
	['1 cake fresh yeast', 'yeast-fresh', 1, 'cake', [17, 17, 17], []],
	['a dozen eggs', 'egg', 12, 'each', [600, 552, 684], []],
	['one and a half cups water', 'water', 1.5, 'cup', [354.9, 354.9, 354.9], []],
	['1½ tsp salt', 'salt', 1.5, 'tsp', [9, 8.25, 9.45], []],
	['1⁄2 tsp salt', 'salt', 0.5, 'tsp', [3, 2.75, 3.15], []],
	['25 g (2 tbsp) sugar', 'sugar', 25, 'g', [25, 25, 25], []],
	['1 jar honey', 'honey', 1, 'jar', null, ['vague-unit']],
	['heaping tablespoon of honey', 'honey', 1, 'tbsp', [21, 20.5, 21.5], []],
	['2 cups (250g) bread flour, sifted', 'flour-bread-enriched', 2, 'cup', [250, 250, 250], []],
	['Salt, 10 g', 'salt', 10, 'g', [10, 10, 10], []],
	['eggs x 2', 'egg', 2, 'each', [100, 92, 114], []],
	['eggs: 2', 'egg', 2, 'each', [100, 92, 114], []],
	['1 1/2 – 2 cups water', 'water', 1.75, 'cup', [414.05, 354.9, 473.2], []],
	['¼ cup + 1 tbsp olive oil', 'oil-olive', 0.3125, 'cup', [67.5, 66.8, 68.3], []],
	['1 tsp salt or to taste', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	[
		'1 tbsp oil or ghee',
		null,
		1,
		'tbsp',
		[13.5, 12.5, 14],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['flour (all purpose) 2 cups', 'flour-ap-enriched', 2, 'cup', [250, 236, 290], []],
	['salt - a pinch', 'salt', 1, 'pinch', [0.375, 0.3438, 0.3937], []],
	['salt, a pinch', 'salt', 1, 'pinch', [0.375, 0.3438, 0.3937], []],
	['1 heaped tsp salt', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	['3 c bread flour', 'flour-bread-enriched', 3, 'cup', [390, 360, 450], []],
	['1 Tbsp honey', 'honey', 1, 'tbsp', [21, 20.5, 21.5], []],
	[
		'100ml/3½fl oz milk',
		null,
		100,
		'ml',
		[103.1329, 102.2875, 103.9782],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'] }
	],
	['7g/1½ tsp fast-action dried yeast', 'yeast-dry', 7, 'g', [7, 7, 7], ['volume-conflict']],
	['2 cups lukewarm water (about 40°C)', 'water', 2, 'cup', [473.2, 473.2, 473.2], [], { temperature_c: 40 }],
	['350 g (2¾ cups plus 1 tbsp) bread flour', 'flour-bread-enriched', 350, 'g', [350, 350, 350], []],
	['1 pkg active dry yeast', 'yeast-dry', 1, 'package', [7, 7, 7], []],
	[
		'one 7 g packet of yeast',
		null,
		7,
		'g',
		[7, 7, 7],
		['ambiguous-ingredient'],
		{ candidates: ['yeast-dry', 'yeast-fresh'] }
	],
	[
		'2 cups sugar + 1 tbsp for sprinkling',
		'sugar',
		2,
		'cup',
		[400, 390, 410],
		[],
		{
			lines: [
				['sugar', 2, 'cup', 400, null],
				['sugar', 1, 'tbsp', 12.6, 'garnish']
			]
		}
	],
	['Bread flour.....1000 g', 'flour-bread-enriched', 1000, 'g', [1000, 1000, 1000], []],
	['Bread flour 1000 g (100%)', 'flour-bread-enriched', 1000, 'g', [1000, 1000, 1000], []],
	['water 60%', null, null, null, null, ['unknown-ingredient', 'no-amount']],
	['500 g 00 flour', null, 500, 'g', [500, 500, 500], ['unknown-ingredient']],
	['500 g T55 flour', null, 500, 'g', [500, 500, 500], ['unknown-ingredient']],
	['- 2 cups bread flour', 'flour-bread-enriched', 2, 'cup', [260, 240, 300], []],
	['1. 2 cups bread flour', 'flour-bread-enriched', 2, 'cup', [260, 240, 300], []],
	['[ ] 1 tsp salt', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	['whole wheat flour', 'flour-whole-wheat', null, null, null, ['no-amount']],
	[
		'flour',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['1/2 stick unsalted butter, softened', 'butter-unsalted', 0.5, 'stick', [56.7, 56.7, 56.7], []],
	['3 large garlic cloves', 'garlic-raw', 3, 'clove', [9, 6, 18], []],
	['juice of 1 lemon', null, null, null, null, ['unknown-ingredient', 'no-amount']],
	['1 lemon', null, 1, 'each', null, ['unknown-ingredient']],
	['2 tablespoons lemon juice', 'lemon-juice', 2, 'tbsp', [30.4, 30, 31], []],
	['1 cup semolina (sooji)', 'semolina', 1, 'cup', [167, 160, 175], []],
	['2 cups besan', 'flour-chickpea', 2, 'cup', [184, 170, 210], []],
	['1 cup gram flour', 'flour-chickpea', 1, 'cup', [92, 85, 105], []],
	['1 1/4 lb masa harina', 'masa-harina-enriched', 1.25, 'lb', [566.9905, 566.9905, 566.9905], []],
	['1 lb 4 oz bread flour', 'flour-bread-enriched', 1.25, 'lb', [566.9905, 566.9905, 566.9905], []],
	[
		'2 pints milk',
		null,
		2,
		'pint',
		[976, 968, 984],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'] }
	],
	['kosher salt, 2 tsp', 'salt-kosher', 2, 'tsp', [7, 5.6, 10], []],
	['sea salt 2 tsp', null, 2, 'tsp', null, ['ambiguous-ingredient'], { candidates: ['salt', 'salt-kosher'] }],
	['1 tsp seasalt', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	['2 cups wholewheat flower', 'flour-whole-wheat', 2, 'cup', [240, 226, 270], []],
	['300 gr agua', 'water', 300, 'g', [300, 300, 300], []],
	['250 cc agua tibia', 'water', 250, 'ml', [250.0127, 250.0127, 250.0127], []],
	["20 ml huile d'olive", 'oil-olive', 20, 'ml', [18.2596, 18.0905, 18.4287], []],
	['une pincée de sel', 'salt', 1, 'pinch', [0.375, 0.3438, 0.3937], []],
	['1 Prise Salz', 'salt', 1, 'pinch', [0.375, 0.3438, 0.3937], []],
	['200 g de farine complète', 'flour-whole-wheat', 200, 'g', [200, 200, 200], []],
	['1 sachet de levure sèche', 'yeast-dry', 1, 'packet', [7, 7, 7], []],
	['½ cuillère à café de sel', 'salt', 0.5, 'tsp', [3, 2.75, 3.15], []],
	["1 cucchiaio di olio d'oliva", 'oil-olive', 1, 'tbsp', [13.5, 13.3, 13.8], []],
	['2 cucchiaini di sale', 'salt', 2, 'tsp', [12, 11, 12.6], []],
	['1 colher de sopa de azeite', 'oil-olive', 1, 'tbsp', [13.5, 13.3, 13.8], []],
	['1 tazza di acqua', 'water', 1, 'cup', [236.6, 236.6, 236.6], []],
	['2 EL Sonnenblumenöl', 'oil-sunflower', 2, 'tbsp', [27.2, 26.8, 27.6], []],
	['150 g Joghurt', 'yogurt-whole', 150, 'g', [150, 150, 150], []],
	['1 Päckchen Trockenhefe', 'yeast-dry', 1, 'packet', [7, 7, 7], []],
	['1/2 TL Backpulver', 'baking-powder', 0.5, 'tsp', [2.3, 2, 2.5], []],
	['-5 g salt', 'salt', null, null, null, ['no-amount']],
	['0 g salt', 'salt', 0, 'g', [0, 0, 0], []],
	['1/0 cup salt', 'salt', null, null, null, ['no-amount']],
	['two tablespoons of ghee', 'ghee', 2, 'tbsp', [25.6, 25, 27], []],
	['half a teaspoon cumin seeds', 'cumin', 0.5, 'tsp', [1.05, 0.95, 1.2], []],
	['¾ teaspoon baking soda', 'baking-soda', 0.75, 'tsp', [3.45, 3.3, 4.5], []],
	['quarter cup water', 'water', 0.25, 'cup', [59.15, 59.15, 59.15], []],
	['1 cup water, boiling', 'water', 1, 'cup', [236.6, 236.6, 236.6], []],
	['Boiling water 300ml', 'water', 300, 'ml', [300.0152, 300.0152, 300.0152], []],
	['1.5L water', 'water', 1.5, 'l', [1500.0761, 1500.0761, 1500.0761], []],
	['1 quart buttermilk', 'buttermilk', 1, 'quart', [980.001, 972.001, 988.001], []],
	['2 dl vatten', null, 2, 'dl', null, ['unknown-ingredient']],
	[
		'oil, for frying',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'], use: 'griddle' }
	],
	[
		'oil for the pan, 2 tsp',
		null,
		2,
		'tsp',
		[9, 8.5333, 9.3333],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'], use: 'griddle' }
	],
	['handful of spinach', 'spinach', 1, 'handful', null, ['vague-unit']],
	[
		'1 bunch coriander',
		null,
		1,
		'bunch',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['coriander-leaf'] }
	],
	['3 tbsp. ground flax', 'flaxseed', 3, 'tbsp', [21, 19.5, 30.9], []],
	['1 tblsp chia', 'chia', 1, 'tbsp', [12, 11, 13], []],
	['2 tbs black sesame seeds', 'sesame-seed', 2, 'tbsp', [18, 17, 19], []],
	[
		'1 cup cornflour',
		null,
		1,
		'cup',
		[117, 110, 135],
		['ambiguous-ingredient'],
		{ candidates: ['flour-corn', 'cornstarch'] }
	],
	['1 cup corn flour', 'flour-corn', 1, 'cup', [117, 110, 125], []],
	[
		'4 tbsp butter (57 g)',
		null,
		4,
		'tbsp',
		[57, 57, 57],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	['1 cup packed brown sugar', 'sugar-brown', 1, 'cup', [220, 200, 225], []],
	['1/4 cup jaggery', 'jaggery', 0.25, 'cup', [60, 52, 72], []],
	['2 tbsp white pepper', null, 2, 'tbsp', null, ['unknown-ingredient']],
	['1 tsp fresh thyme', null, 1, 'tsp', null, ['unknown-ingredient']],
	['1-2 tsp salt', 'salt', 1.5, 'tsp', [9, 5.5, 12.6], []],
	['1 to 1 1/2 cups water', 'water', 1.25, 'cup', [295.75, 236.6, 354.9], []],
	['2 or 3 eggs', 'egg', 2.5, 'each', [125, 92, 171], []],
	['1 cup 2 tbsp bread flour', 'flour-bread-enriched', 1.125, 'cup', [146.25, 135, 168.75], []],
	['1 kg 200 g atta', 'flour-atta', 1.2, 'kg', [1200, 1200, 1200], []],
	[
		'1 cup milk (2%)',
		null,
		1,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole', 'milk-powder-nonfat'] }
	],
	['salt 20 g 2%', 'salt', 20, 'g', [20, 20, 20], []],
	['−3 cups water', 'water', null, null, null, ['no-amount']],
	['2 cups whole wheat flour (spooned)', 'flour-whole-wheat', 2, 'cup', [240, 226, 270], []],
	['1/2 cup ghee, melted', 'ghee', 0.5, 'cup', [102.5, 100, 107.5], []],
	['10 ml vinegar', null, 10, 'ml', null, ['unknown-ingredient']],
	['1 cup sour cream', null, 1, 'cup', null, ['unknown-ingredient']],
	['3 tbsp tahini', 'tahini', 3, 'tbsp', [45, 42, 48], []],
	['2 gallons water', 'water', 2, 'gallon', [7571.204, 7571.204, 7571.204], []],
	['0,5 l Wasser', 'water', 0.5, 'l', [500.0254, 500.0254, 500.0254], []],
	[
		'1½ Tassen Milch',
		null,
		1.5,
		'cup',
		[366, 363, 369],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'] }
	],
	["3 c. à s. d'huile de tournesol", 'oil-sunflower', 3, 'tbsp', [40.8, 40.2, 41.4], []],
	[
		'100 g de mantequilla',
		null,
		100,
		'g',
		[100, 100, 100],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	['1 vaso de agua', 'water', 1, 'glass', null, ['vague-unit']],
	['1 tsp bicarbonate of soda', 'baking-soda', 1, 'tsp', [4.6, 4.4, 6], []],
	['1 tsp cream of tartar', 'cream-of-tartar', 1, 'tsp', [3, 2.8, 3.3], []],
	['2 tsp ajwain', null, 2, 'tsp', null, ['unknown-ingredient']],
	['1 tsp metric salt', null, 1, 'tsp', null, ['unknown-ingredient']],
	['3 cups (360 g) whole wheat flour', 'flour-whole-wheat', 3, 'cup', [360, 360, 360], []],
	['1 3/4 cups masa harina', 'masa-harina-enriched', 1.75, 'cup', [199.5, 183.75, 218.75], []],
	['1¾ cup hot water', 'water', 1.75, 'cup', [414.05, 414.05, 414.05], []],
	['2 ½ tsp instant yeast', 'yeast-dry', 2.5, 'tsp', [7.75, 7, 10], []],
	['1 tablespoon plus 1 teaspoon olive oil', 'oil-olive', 1.3333, 'tbsp', [18, 17.7333, 18.4], []],
	['¼ cup lard, cut into pieces', 'lard', 0.25, 'cup', [51.25, 50, 52.5], []],
	['1/3 cup vegetable shortening', 'shortening', 0.3333, 'cup', [63.6667, 61.6667, 68.3333], []],
	['3 tbsp melted ghee', 'ghee', 3, 'tbsp', [38.4, 37.5, 40.5], []],
	['1 tsp fine sea salt', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	['1/2 teaspoon kosher salt', 'salt-kosher', 0.5, 'tsp', [1.75, 1.4, 2.5], []],
	['300g strong white bread flour', 'flour-bread-enriched', 300, 'g', [300, 300, 300], []],
	['7g sachet fast-action dried yeast', 'yeast-dry', 7, 'g', [7, 7, 7], []],
	['1 x 7g sachet dried yeast', 'yeast-dry', 7, 'g', [7, 7, 7], []],
	['1 tsp caster sugar', 'sugar', 1, 'tsp', [4.2, 4, 4.3], []],
	['200ml lukewarm water', 'water', 200, 'ml', [200.0101, 200.0101, 200.0101], []],
	['2 tbsp natural yoghurt', 'yogurt-whole', 2, 'tbsp', [30.625, 30, 31.25], []],
	['150 ml whole milk, warmed', 'milk-whole', 150, 'ml', [154.6993, 153.4313, 155.9673], []],
	['2 tbsp sesame seeds, to sprinkle', 'sesame-seed', 2, 'tbsp', [18, 17, 19], [], { use: 'garnish' }],
	['plain flour, for dusting', 'flour-ap-enriched', null, null, null, ['no-amount'], { use: 'dusting' }],
	[
		'a little oil',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	[
		'oil as needed',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['Salt', 'salt', null, null, null, ['no-amount']],
	['salt, to taste', 'salt', null, null, null, ['no-amount']],
	['water, as needed (about 1/2 cup)', 'water', 0.5, 'cup', [118.3, 118.3, 118.3], []],
	['about 3/4 cup water', 'water', 0.75, 'cup', [177.45, 177.45, 177.45], []],
	['approx. 1 cup water', 'water', 1, 'cup', [236.6, 236.6, 236.6], []],
	['1 c. water', 'water', 1, 'cup', [236.6, 236.6, 236.6], []],
	['1 C water', 'water', 1, 'cup', [236.6, 236.6, 236.6], []],
	[
		'2 Tbsp. butter',
		null,
		2,
		'tbsp',
		[28.4, 28, 29],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	[
		'2 tbsps butter, softened',
		null,
		2,
		'tbsp',
		[28.4, 28, 29],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	['1 stick (113 g) unsalted butter', 'butter-unsalted', 1, 'stick', [113, 113, 113], []],
	[
		'½ stick butter',
		null,
		0.5,
		'stick',
		[56.7, 56.7, 56.7],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	[
		'1 cup (2 sticks) butter',
		null,
		1,
		'cup',
		[227, 225, 229],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	[
		'4 oz (113 g) butter',
		null,
		4,
		'oz',
		[113.3981, 113.3981, 113.3981],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	['8 ounces masa', 'masa-harina-enriched', 8, 'oz', [226.7962, 226.7962, 226.7962], []],
	['1 pound bread flour', 'flour-bread-enriched', 1, 'lb', [453.5924, 453.5924, 453.5924], []],
	['1.5 lbs whole-wheat flour', 'flour-whole-wheat', 1.5, 'lb', [680.3886, 680.3886, 680.3886], []],
	[
		'1 lb. 2 oz. flour',
		null,
		1.125,
		'lb',
		[510.2914, 510.2914, 510.2914],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['2 kilos atta', 'flour-atta', 2, 'kg', [2000, 2000, 2000], []],
	[
		'1 kg. flour',
		null,
		1,
		'kg',
		[1000, 1000, 1000],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['0.75 litres water', 'water', 0.75, 'l', [750.038, 750.038, 750.038], []],
	['75 cl water', 'water', 75, 'cl', [750.038, 750.038, 750.038], []],
	['3,5 dl vand', null, 3.5, 'dl', null, ['unknown-ingredient']],
	[
		'250 g de farine de blé',
		null,
		250,
		'g',
		[250, 250, 250],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap'] }
	],
	['10 g de sel', 'salt', 10, 'g', [10, 10, 10], []],
	['1 c. à c. de sel', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	[
		"1 c. à soupe d'huile",
		null,
		1,
		'tbsp',
		[13.5, 12.8, 14],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['2 cucharadas de aceite de oliva', 'oil-olive', 2, 'tbsp', [27, 26.6, 27.6], []],
	[
		'media taza de leche',
		null,
		0.5,
		'cup',
		[122, 121, 123],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'] }
	],
	['una pizca de sal', 'salt', 1, 'pinch', [0.375, 0.3438, 0.3937], []],
	[
		'500 gramos de harina',
		null,
		500,
		'g',
		[500, 500, 500],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['1/2 kg harina de maíz', 'flour-corn', 0.5, 'kg', [500, 500, 500], []],
	[
		'100 ml de leche',
		null,
		100,
		'ml',
		[103.1329, 102.2875, 103.9782],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'] }
	],
	[
		'300 g Weizenmehl',
		null,
		300,
		'g',
		[300, 300, 300],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap'] }
	],
	['1 Prise Zucker', 'sugar', 1, 'pinch', [0.2625, 0.25, 0.2687], []],
	['2 Esslöffel Olivenöl', 'oil-olive', 2, 'tbsp', [27, 26.6, 27.6], []],
	['1 Teelöffel Salz', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	['1 Ei', 'egg', 1, 'each', [50, 46, 57], []],
	['2 Eier', 'egg', 2, 'each', [100, 92, 114], []],
	['125 ml Buttermilch', 'buttermilk', 125, 'ml', [129.4444, 128.3877, 130.5011], []],
	[
		'500 g farina',
		null,
		500,
		'g',
		[500, 500, 500],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['10 g sale fino', 'salt', 10, 'g', [10, 10, 10], []],
	[
		"2 cucchiai d'olio",
		null,
		2,
		'tbsp',
		[27, 25.6, 28],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['1 bustina di lievito', 'yeast-dry', 1, 'packet', [7, 7, 7], []],
	[
		'500 g de farinha',
		null,
		500,
		'g',
		[500, 500, 500],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['1 xícara de água', 'water', 1, 'cup', [236.6, 236.6, 236.6], []],
	['1 colher de chá de sal', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	['2 katori atta', 'flour-atta', 2, 'bowl', null, ['vague-unit']],
	['1 katori water', 'water', 1, 'bowl', null, ['vague-unit']],
	['1 chutki salt', 'salt', 1, 'chutki', null, ['unknown-unit']],
	['salt as per taste', 'salt', null, null, null, ['no-amount']],
	['ajwain 1/2 tsp', null, 0.5, 'tsp', null, ['unknown-ingredient']],
	[
		'2 tsp oil for dough',
		null,
		2,
		'tsp',
		[9, 8.5333, 9.3333],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'], use: 'dough' }
	],
	[
		'1 tbsp oil + more for pan',
		null,
		1,
		'tbsp',
		[13.5, 12.8, 14],
		['ambiguous-ingredient'],
		{
			candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'],
			lines: [
				['oil-olive', 1, 'tbsp', 13.5, null],
				['oil-olive', null, null, null, 'griddle']
			]
		}
	],
	[
		'2 cups maida + 2 tbsp for rolling',
		'flour-ap',
		2,
		'cup',
		[250, 236, 290],
		[],
		{
			lines: [
				['flour-ap', 2, 'cup', 250, null],
				['flour-ap', 2, 'tbsp', 15.625, 'dusting']
			]
		}
	],
	['1 cup sooji / semolina', 'semolina', 1, 'cup', [167, 160, 175], []],
	['1 cup besan (gram flour)', 'flour-chickpea', 1, 'cup', [92, 85, 105], []],
	['1/4 cup curd', 'yogurt-whole', 0.25, 'cup', [61.25, 60, 62.5], []],
	['1 inch ginger', null, 1, 'each', null, ['unknown-ingredient']],
	['3 green chillies', null, 3, 'each', null, ['unknown-ingredient']],
	['1 medium potato, boiled and mashed', 'potato-boiled', 1, 'each', null, ['no-density']],
	['2 medium potatoes', 'potato-boiled', 2, 'each', null, ['no-density']],
	['1 cup mashed potato', 'potato-boiled', 1, 'cup', [210, 190, 230], []],
	['100 g spinach puree', null, 100, 'g', [100, 100, 100], ['unknown-ingredient']],
	['1 small beetroot, grated', 'beet', 1, 'each', null, ['no-density']],
	['1 cup grated beetroot', 'beet', 1, 'cup', [136, 130, 145], []],
	['handful coriander leaves, chopped', 'coriander-leaf', 1, 'handful', null, ['vague-unit']],
	['2 tbsp chopped cilantro', 'coriander-leaf', 2, 'tbsp', [2, 1.75, 2.5], []],
	['1 tsp crushed garlic', 'garlic-raw', 1, 'tsp', [2.8, 2.5, 3], []],
	['3 cloves garlic, crushed', 'garlic-raw', 3, 'clove', [9, 6, 18], []],
	['1 tsp cumin seeds, toasted', 'cumin', 1, 'tsp', [2.1, 1.9, 2.4], []],
	['1/4 tsp turmeric powder', 'turmeric', 0.25, 'tsp', [0.75, 0.55, 0.8], []],
	['1 tsp baking powder (optional)', 'baking-powder', 1, 'tsp', [4.6, 4, 5], []],
	['1/8 tsp baking soda', 'baking-soda', 0.125, 'tsp', [0.575, 0.55, 0.75], []],
	['pinch baking soda', 'baking-soda', 1, 'pinch', [0.2875, 0.275, 0.375], []],
	['2 pinches of salt', 'salt', 2, 'pinch', [0.75, 0.6875, 0.7875], []],
	['a dash of paprika', 'paprika', 1, 'dash', null, ['vague-unit']],
	['1 drizzle honey', 'honey', 1, 'drizzle', null, ['vague-unit']],
	[
		'1 tbsp honey or sugar',
		null,
		1,
		'tbsp',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['honey', 'sugar'] }
	],
	['2 egg whites', null, 2, 'each', null, ['unknown-ingredient']],
	['1 egg yolk', null, 1, 'each', null, ['unknown-ingredient']],
	['1 can (13.5 oz) coconut milk', 'coconut-milk', 1, 'can', [382.7186, 382.7186, 382.7186], []],
	['1 tin coconut milk (400 ml)', 'coconut-milk', 1, 'can', [382.0988, 371.9546, 397.3152], []],
	['400 ml tin coconut milk', 'coconut-milk', 400, 'ml', [382.0988, 371.9546, 397.3152], []],
	['1 packet (7g) dry yeast', 'yeast-dry', 1, 'packet', [7, 7, 7], []],
	['2 packets active dry yeast', 'yeast-dry', 2, 'packet', [14, 14, 14], []],
	['1 envelope yeast', 'yeast-dry', 1, 'packet', [7, 7, 7], []],
	['1 cake yeast', 'yeast-fresh', 1, 'cake', [17, 17, 17], []],
	['20 g fresh yeast', 'yeast-fresh', 20, 'g', [20, 20, 20], []],
	['1 cup warm water (110 F)', 'water', 1, 'cup', [236.6, 236.6, 236.6], [], { temperature_c: 43.3333 }],
	['1 cup water at 40°C', 'water', 1, 'cup', [236.6, 236.6, 236.6], [], { temperature_c: 40 }],
	[
		'1 cup + 3 tbsp flour',
		null,
		1.1875,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['3 to 3 1/2 cups all-purpose flour', 'flour-ap-enriched', 3.25, 'cup', [406.25, 354, 507.5], []],
	['3-3½ cups bread flour', 'flour-bread-enriched', 3.25, 'cup', [422.5, 360, 525], []],
	['2 - 3 tbsp water', 'water', 2.5, 'tbsp', [36.9688, 29.575, 44.3625], []],
	['1–2 tsp salt', 'salt', 1.5, 'tsp', [9, 5.5, 12.6], []],
	[
		'2—3 cups flour',
		null,
		2.5,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	[
		'2~3 tbsp oil',
		null,
		2.5,
		'tbsp',
		[33.75, 25.6, 42],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	[
		'half cup milk',
		null,
		0.5,
		'cup',
		[122, 121, 123],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'] }
	],
	['half tsp salt', 'salt', 0.5, 'tsp', [3, 2.75, 3.15], []],
	['quarter teaspoon salt', 'salt', 0.25, 'tsp', [1.5, 1.375, 1.575], []],
	[
		'two and a half cups flour',
		null,
		2.5,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['three-quarters cup water', 'water', 0.75, 'cup', [177.45, 177.45, 177.45], []],
	[
		'one cup flour',
		null,
		1,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	[
		'1 heaping cup flour',
		null,
		1,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['1 scant teaspoon salt', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	['1 level tbsp sugar', 'sugar', 1, 'tbsp', [12.6, 12, 12.9], []],
	['1 rounded tablespoon lard', 'lard', 1, 'tbsp', [12.8, 12.5, 13.5], []],
	['1 generous pinch of salt', 'salt', 1, 'pinch', [0.375, 0.3438, 0.3937], []],
	['10 grams salt', 'salt', 10, 'g', [10, 10, 10], []],
	['10gm salt', 'salt', 10, 'g', [10, 10, 10], []],
	['10 gms. salt', 'salt', 10, 'g', [10, 10, 10], []],
	[
		'0.5 oz yeast',
		null,
		0.5,
		'oz',
		[14.1748, 14.1748, 14.1748],
		['ambiguous-ingredient'],
		{ candidates: ['yeast-dry', 'yeast-fresh'] }
	],
	['.5 tsp salt', 'salt', 0.5, 'tsp', [3, 2.75, 3.15], []],
	['1,25 l water', 'water', 1.25, 'l', [1250.0634, 1250.0634, 1250.0634], []],
	[
		'1 000 g flour',
		null,
		1000,
		'g',
		[1000, 1000, 1000],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	[
		"1'000 g flour",
		null,
		1000,
		'g',
		[1000, 1000, 1000],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['2,000 g bread flour', 'flour-bread-enriched', 2000, 'g', [2000, 2000, 2000], []],
	['1/2 c sugar', 'sugar', 0.5, 'cup', [100, 97.5, 102.5], []],
	['1 t. salt', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	[
		'1 T. oil',
		null,
		1,
		'tbsp',
		[13.5, 12.8, 14],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	[
		'3 Tb butter',
		null,
		3,
		'tbsp',
		[42.6, 42, 43.5],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	['2 spoons sugar', 'sugar', 2, 'spoon', null, ['vague-unit']],
	['1 spoonful honey', 'honey', 1, 'spoon', null, ['vague-unit']],
	['5 drops lemon juice', 'lemon-juice', 5, 'drop', null, ['vague-unit']],
	[
		'1 bag flour',
		null,
		1,
		'bag',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['1 box masa', 'masa-harina-enriched', 1, 'box', null, ['vague-unit']],
	['20 tortillas', null, 20, 'each', null, ['unknown-ingredient']],
	['1 recipe pie dough', null, 1, 'each', null, ['unknown-ingredient']],
	['Filling:', null, null, null, null, ['unknown-ingredient', 'no-amount']],
	['For the dough:', null, null, null, null, ['unknown-ingredient', 'no-amount'], { use: 'dough' }],
	['zest of one lemon', null, null, null, null, ['unknown-ingredient', 'no-amount']],
	[
		'flour 3 cups',
		null,
		3,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	[
		'flour (3 cups)',
		null,
		3,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['Water ... 2 cups', 'water', 2, 'cup', [473.2, 473.2, 473.2], []],
	['Salt: 1 tsp', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	['500g/1lb 2oz bread flour', 'flour-bread-enriched', 500, 'g', [500, 500, 500], []],
	['250g/9oz plain flour', 'flour-ap-enriched', 250, 'g', [250, 250, 250], []],
	['4fl oz water', 'water', 4, 'fl oz', [118.3, 118.3, 118.3], []],
	['120ml/4fl oz water', 'water', 120, 'ml', [120.0061, 120.0061, 120.0061], []],
	[
		'1 cup/240ml milk',
		null,
		1,
		'cup',
		[247.5189, 245.4901, 249.5477],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'] }
	],
	[
		'1 cup = 120 g flour',
		null,
		1,
		'cup',
		[120, 120, 120],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['1 cup ~ 120 g bread flour', 'flour-bread-enriched', 1, 'cup', [120, 120, 120], []],
	['1 cup bread flour ~ 130 g', 'flour-bread-enriched', 1, 'cup', [130, 130, 130], []],
	['bread flour 1 cup (130g)', 'flour-bread-enriched', 1, 'cup', [130, 130, 130], []],
	['bread flour, sifted, 2 cups', 'flour-bread-enriched', 2, 'cup', [260, 240, 300], []],
	['a tablespoon and a half of honey', 'honey', 1.5, 'tbsp', [31.5, 30.75, 32.25], []],
	[
		'two tablespoons and a teaspoon of oil',
		null,
		2.3333,
		'tbsp',
		[31.5, 29.8667, 32.6667],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['1 quarter cup of ghee', 'ghee', 0.25, 'cup', [51.25, 50, 53.75], []],
	[
		'3 quarters of a cup of milk at 40 degrees',
		null,
		0.75,
		'cup',
		[183, 181.5, 184.5],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'], temperature_c: 40 }
	],
	['a couple of spoons of sunflower oil', 'oil-sunflower', 2, 'spoon', null, ['vague-unit']],
	[
		'250 ml or one cup of milk',
		null,
		250,
		'ml',
		[257.8322, 255.7188, 259.9456],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'] }
	],
	['600 grams, about five cups, of rye flour', null, 600, 'g', [600, 600, 600], ['unknown-ingredient']],
	['a quarter to a third of a cup of lard', 'lard', 0.2917, 'cup', [59.7917, 50, 70], []],
	['a bit less than a cup of water', 'water', 0.9, 'cup', [212.94, 189.28, 236.6], []],
	[
		'2 tablespoons ghee or butter',
		null,
		2,
		'tbsp',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['ghee', 'butter-salted', 'butter-unsalted'] }
	],
	[
		'4 cups flour plus a quarter cup extra for dusting',
		null,
		4,
		'cup',
		null,
		['ambiguous-ingredient'],
		{
			candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'],
			lines: [
				['flour-ap-enriched', 4, 'cup', null, null],
				['flour-ap-enriched', 0.25, 'cup', null, 'dusting']
			]
		}
	],
	[
		'⅓ cup extra flour for the board',
		null,
		0.3333,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'], use: 'dusting' }
	],
	[
		'some flour for rolling',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'], use: 'dusting' }
	],
	[
		'starch between the sheets',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['cornstarch', 'tapioca'], use: 'layering' }
	],
	[
		'oil for the bowl',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'], use: 'bowl' }
	],
	[
		'a little oil wiped in the pan',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'], use: 'griddle' }
	],
	[
		'a bit of extra flour if it sticks',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'], use: 'dusting' }
	],
	['brushed with ghee', 'ghee', null, null, null, ['no-amount'], { use: 'brushing' }],
	[
		'seeds on top',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['sesame-seed', 'pumpkin-seed', 'sunflower-seed'], use: 'garnish' }
	],
	[
		'flour, as needed',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	[
		'a pinch of sea salt',
		null,
		1,
		'pinch',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['salt', 'salt-kosher'] }
	],
	['a knob of lard', 'lard', 1, 'knob', null, ['vague-unit']],
	[
		'half a stick of butter',
		null,
		0.5,
		'stick',
		[56.7, 56.7, 56.7],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	['a spoonful', null, 1, 'spoon', null, ['unknown-ingredient', 'vague-unit']],
	['half a glass', null, 0.5, 'glass', null, ['unknown-ingredient', 'vague-unit']],
	['a handful', null, 1, 'handful', null, ['unknown-ingredient', 'vague-unit']],
	[
		'400 g wheat flour',
		null,
		400,
		'g',
		[400, 400, 400],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	[
		'½ cup oil',
		null,
		0.5,
		'cup',
		[108, 102.5, 110],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['1 cup milk', null, 1, 'cup', [244, 242, 246], ['ambiguous-ingredient'], { candidates: ['milk-whole'] }],
	['3 heaped teaspoons of instant yeast', 'yeast-dry', 3, 'tsp', [9.3, 8.4, 12], []],
	['1 sachet, about 8 grams', null, 1, 'packet', [8, 8, 8], ['unknown-ingredient']],
	[
		'3 unicorns of flour',
		null,
		3,
		'unicorns',
		null,
		['ambiguous-ingredient', 'unknown-unit'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['butter milk powder', null, null, null, null, ['unknown-ingredient', 'no-amount']],
	[
		'2 cups flour, 1 cup water and 1 tsp salt',
		null,
		2,
		'cup',
		null,
		['ambiguous-ingredient'],
		{
			candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'],
			lines: [
				['flour-ap-enriched', 2, 'cup', null, null],
				['water', 1, 'cup', 236.6, null],
				['salt', 1, 'tsp', 6, null]
			]
		}
	],
	[
		'500 g flour, 300 g water, 10 g salt',
		null,
		500,
		'g',
		[500, 500, 500],
		['ambiguous-ingredient'],
		{
			candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'],
			lines: [
				['flour-ap-enriched', 500, 'g', 500, null],
				['water', 300, 'g', 300, null],
				['salt', 10, 'g', 10, null]
			]
		}
	],
	['1/2 cup ghee, divided', 'ghee', 0.5, 'cup', [102.5, 100, 107.5], []],
	[
		'2 tbsp oil plus a little more for the pan',
		null,
		2,
		'tbsp',
		[27, 25.6, 28],
		['ambiguous-ingredient'],
		{
			candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'],
			lines: [
				['oil-olive', 2, 'tbsp', 27, null],
				['oil-olive', null, null, null, 'griddle']
			]
		}
	],
	[
		'1 kg harina de trigo',
		null,
		1,
		'kg',
		[1000, 1000, 1000],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['2 tazas de agua tibia a 38 grados', 'water', 2, 'cup', [473.2, 473.2, 473.2], [], { temperature_c: 38 }],
	['1 cup water (105-115°F)', 'water', 1, 'cup', [236.6, 236.6, 236.6], [], { temperature_c: 43.3333 }],
	['almost two cups of water', 'water', 1.8, 'cup', [425.88, 378.56, 473.2], []],
	['just over a cup of yogurt', 'yogurt-whole', 1.1, 'cup', [269.5, 240, 300], []],
	['two hundred and fifty grams of water', 'water', 250, 'g', [250, 250, 250], []],
	['two and three quarters cups bread flour', 'flour-bread-enriched', 2.75, 'cup', [357.5, 330, 412.5], []],
	['three and a half teaspoons baking powder', 'baking-powder', 3.5, 'tsp', [16.1, 14, 17.5], []],
	['half a dozen eggs', 'egg', 6, 'each', [300, 276, 342], []],
	['one and a quarter teaspoons of salt', 'salt', 1.25, 'tsp', [7.5, 6.875, 7.875], []],
	['between 2 and 3 cups of water', 'water', 2.5, 'cup', [591.5, 473.2, 709.8], []],
	['a cup and a half bread flour', 'flour-bread-enriched', 1.5, 'cup', [195, 180, 225], []],
	['a good handful of sesame seeds', 'sesame-seed', 1, 'handful', null, ['vague-unit']],
	['1 can coconut milk', 'coconut-milk', 1, 'can', null, ['vague-unit']],
	['5 tablespoons of lard, cut in', 'lard', 5, 'tbsp', [64, 62.5, 67.5], []],
	[
		'1 tsp each salt and sugar',
		'salt',
		1,
		'tsp',
		[6, 5.5, 6.3],
		[],
		{
			lines: [
				['salt', 1, 'tsp', 6, null],
				['sugar', 1, 'tsp', 4.2, null]
			]
		}
	],
	[
		'1 cup batter',
		null,
		1,
		'cup',
		[227, 225, 229],
		['ambiguous-ingredient'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	[
		'2 kikombe vya unga',
		null,
		2,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	[
		'vikombe viwili vya unga',
		null,
		2,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	[
		'2 su bardağı un',
		null,
		2,
		'glass',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['1 çay kaşığı tuz', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	[
		'2 sendok makan minyak',
		null,
		2,
		'tbsp',
		[27, 25.6, 28],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['3 sdm minyak kelapa', 'oil-coconut', 3, 'tbsp', [40.8, 38.4, 41.4], []],
	['1 kikombe maji', 'water', 1, 'cup', [236.6, 236.6, 236.6], []],
	[
		'300 g tepung terigu',
		null,
		300,
		'g',
		[300, 300, 300],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['2 cups aata', 'flour-atta', 2, 'cup', [250, 230, 280], []],
	['1 tsp namak', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	[
		'1 chamach tel',
		null,
		1,
		'spoon',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['ek cup maida', 'flour-ap', 1, 'cup', [125, 118, 145], []],
	['nusu kikombe cha maji', 'water', 0.5, 'cup', [118.3, 118.3, 118.3], []],
	['kijiko kimoja cha chai cha chumvi', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	['yarım su bardağı su', 'water', 0.5, 'glass', null, ['vague-unit']],
	['aadha cup dahi', 'yogurt-whole', 0.5, 'cup', [122.5, 120, 125], []],
	['१ कप आटा', 'flour-atta', 1, 'cup', [125, 115, 140], []],
	[
		'500 g دقيق',
		null,
		500,
		'g',
		[500, 500, 500],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	[
		'1 tbsp زيت',
		null,
		1,
		'tbsp',
		[13.5, 12.8, 14],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['2 tbsp زيت زيتون', 'oil-olive', 2, 'tbsp', [27, 26.6, 27.6], []],
	[
		'a little more for the pan',
		null,
		null,
		null,
		null,
		['unknown-ingredient', 'no-amount'],
		{ use: 'griddle' }
	],
	['1 cup constructor', null, 1, 'cup', null, ['unknown-ingredient']],
	['1 sachet yeast, about 7 grams', 'yeast-dry', 1, 'packet', [7, 7, 7], []],
	[
		'2 1/2 cups (300 g) bread flour, plus 2 tablespoons for dusting',
		'flour-bread-enriched',
		2.5,
		'cup',
		[300, 300, 300],
		[],
		{
			lines: [
				['flour-bread-enriched', 2.5, 'cup', 300, null],
				['flour-bread-enriched', 2, 'tbsp', 16.25, 'dusting']
			]
		}
	],
	['1 (7 g) sachet of instant yeast', 'yeast-dry', 7, 'g', [7, 7, 7], []],
	['Dough: 500 g bread flour', 'flour-bread-enriched', 500, 'g', [500, 500, 500], []],
	['1) 500 g bread flour', 'flour-bread-enriched', 500, 'g', [500, 500, 500], []],
	['(2) 300 ml water', 'water', 300, 'ml', [300.0152, 300.0152, 300.0152], []],
	[
		'1 cup milk, warmed to 105-115°F',
		null,
		1,
		'cup',
		[244, 242, 246],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'], temperature_c: 43.3333 }
	],
	['2-1/4 tsp. instant yeast', 'yeast-dry', 2.25, 'tsp', [6.975, 6.3, 9], []],
	['1.5 tsp salt', 'salt', 1.5, 'tsp', [9, 8.25, 9.45], []],
	['one hundred grams of lard', 'lard', 100, 'g', [100, 100, 100], []],
	['3/4 c. shortening, cold, cut in pieces', 'shortening', 0.75, 'cup', [143.25, 138.75, 153.75], []],
	[
		'2 tbs. sesame seeds, plus extra to sprinkle',
		'sesame-seed',
		2,
		'tbsp',
		[18, 17, 19],
		[],
		{
			lines: [
				['sesame-seed', 2, 'tbsp', 18, null],
				['sesame-seed', null, null, null, 'garnish']
			]
		}
	],
	['1 cup whole milk yogurt', 'yogurt-whole', 1, 'cup', [245, 240, 250], []],
	[
		'a cup and two tablespoons of whole wheat flour',
		'flour-whole-wheat',
		1.125,
		'cup',
		[135, 127.125, 151.875],
		[]
	],
	['one tablespoon plus one teaspoon of baking powder', 'baking-powder', 1.3333, 'tbsp', [18.4, 16, 20], []],
	['3 tablespoons (45 ml) olive oil', 'oil-olive', 3, 'tbsp', [41.0841, 40.7037, 41.4645], []],
	['1 scoop of masa harina', 'masa-harina-enriched', 1, 'scoop', null, ['vague-unit']],
	[
		'a thumb of butter',
		null,
		1,
		'thumb',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	['as much water as it takes', 'water', null, null, null, ['no-amount']],
	['enough water to bring it together', 'water', null, null, null, ['no-amount']],
	['water', 'water', null, null, null, ['no-amount']],
	['1/2 cup hot water, or as needed', 'water', 0.5, 'cup', [118.3, 118.3, 118.3], []],
	['2 cups (or more) masa harina', 'masa-harina-enriched', 2, 'cup', [228, 210, 250], []],
	[
		'500 g of flour (half bread, half whole wheat)',
		null,
		500,
		'g',
		[500, 500, 500],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['a scant teaspoon of salt', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	['a heaping spoon of yogurt', 'yogurt-whole', 1, 'spoon', null, ['vague-unit']],
	[
		'5 g yeast (or 15 g fresh yeast)',
		null,
		5,
		'g',
		[5, 5, 5],
		['ambiguous-ingredient'],
		{ candidates: ['yeast-dry', 'yeast-fresh'] }
	],
	['2 tsp salt or sugar', null, 2, 'tsp', null, ['ambiguous-ingredient'], { candidates: ['salt', 'sugar'] }],
	[
		'3 T lard or shortening',
		null,
		3,
		'tbsp',
		[38.4, 34.5, 40.5],
		['ambiguous-ingredient'],
		{ candidates: ['lard', 'shortening'] }
	],
	[
		'200 grams lard/butter',
		null,
		200,
		'g',
		[200, 200, 200],
		['ambiguous-ingredient'],
		{ candidates: ['lard', 'butter-salted', 'butter-unsalted'] }
	],
	['oil spray', null, null, null, null, ['unknown-ingredient', 'no-amount']],
	[
		'1 cup flour for the dough and 1/4 cup for rolling',
		null,
		1,
		'cup',
		null,
		['ambiguous-ingredient'],
		{
			candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'],
			use: 'dough',
			lines: [
				['flour-ap-enriched', 1, 'cup', null, 'dough'],
				['flour-ap-enriched', 0.25, 'cup', null, 'dusting']
			]
		}
	],
	[
		'two handfuls of flour',
		null,
		2,
		'handful',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['2 spoonfuls of sugar', 'sugar', 2, 'spoon', null, ['vague-unit']],
	['half a dozen tablespoons of water', 'water', 6, 'tbsp', [88.725, 88.725, 88.725], []],
	[
		'1¼ cups warm water at 110°F',
		'water',
		1.25,
		'cup',
		[295.75, 295.75, 295.75],
		[],
		{ temperature_c: 43.3333 }
	],
	['ghee to brush on the hot roti', 'ghee', null, null, null, ['no-amount'], { use: 'brushing' }],
	[
		'butter, melted, to brush on top',
		null,
		null,
		null,
		null,
		['ambiguous-ingredient', 'no-amount'],
		{ candidates: ['butter-salted', 'butter-unsalted'], use: 'brushing' }
	],
	['rice flour for the board', 'flour-rice', null, null, null, ['no-amount'], { use: 'dusting' }],
	[
		'2 tablespoons of flour for the work surface',
		null,
		2,
		'tbsp',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'], use: 'dusting' }
	],
	['semolina to dust the bench', 'semolina', null, null, null, ['no-amount'], { use: 'dusting' }],
	['cornstarch between the layers', 'cornstarch', null, null, null, ['no-amount'], { use: 'layering' }],
	[
		'a teaspoon of oil for greasing the bowl',
		null,
		1,
		'tsp',
		[4.5, 4.2667, 4.6667],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'], use: 'bowl' }
	],
	['sesame seeds for sprinkling', 'sesame-seed', null, null, null, ['no-amount'], { use: 'garnish' }],
	['nigella seeds on top', null, null, null, null, ['unknown-ingredient', 'no-amount'], { use: 'garnish' }],
	[
		'a splash of milk',
		null,
		1,
		'splash',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['milk-whole'] }
	],
	[
		'2 parts flour',
		null,
		2,
		'part',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['3/4 of a cup of yogurt', 'yogurt-whole', 0.75, 'cup', [183.75, 180, 187.5], []],
	['three fourths cup yogurt', 'yogurt-whole', 0.75, 'cup', [183.75, 180, 187.5], []],
	['1 and 1/2 cups water', 'water', 1.5, 'cup', [354.9, 354.9, 354.9], []],
	['1 & 1/2 cups water', 'water', 1.5, 'cup', [354.9, 354.9, 354.9], []],
	['1.1/2 cups water', 'water', 1.5, 'cup', [354.9, 354.9, 354.9], []],
	["2 cup's of bread flour", 'flour-bread-enriched', 2, 'cup', [260, 240, 300], []],
	['ten ounces masa harina', 'masa-harina-enriched', 10, 'oz', [283.4952, 283.4952, 283.4952], []],
	['two pounds and a half of masa', 'masa-harina-enriched', 2.5, 'lb', [1133.9809, 1133.9809, 1133.9809], []],
	['2 lb 3 oz bread flour', 'flour-bread-enriched', 2.1875, 'lb', [992.2333, 992.2333, 992.2333], []],
	['500 gms maida', 'flour-ap', 500, 'g', [500, 500, 500], []],
	['1 teaspoon salt, heaped', 'salt', 1, 'tsp', [6, 5.5, 6.3], []],
	[
		'1 tablespoon oil (any)',
		null,
		1,
		'tbsp',
		[13.5, 12.8, 14],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	[
		'neutral oil, 2 tablespoons',
		null,
		2,
		'tbsp',
		[27.2, 26.8, 27.6],
		['ambiguous-ingredient'],
		{ candidates: ['oil-canola', 'oil-sunflower', 'oil-soybean'] }
	],
	['a drizzle of olive oil', 'oil-olive', 1, 'drizzle', null, ['vague-unit']],
	['one egg', 'egg', 1, 'each', [50, 46, 57], []],
	['an egg', 'egg', 1, 'each', [50, 46, 57], []],
	['2 eggs, beaten', 'egg', 2, 'each', [100, 92, 114], []],
	['0.5kg atta', 'flour-atta', 0.5, 'kg', [500, 500, 500], []],
	['½kg atta', 'flour-atta', 0.5, 'kg', [500, 500, 500], []],
	['1/2kg atta', 'flour-atta', 0.5, 'kg', [500, 500, 500], []],
	['pinch salt', 'salt', 1, 'pinch', [0.375, 0.3438, 0.3937], []],
	['a big pinch of salt', 'salt', 1, 'pinch', [0.375, 0.3438, 0.3937], []],
	['two pinches of sugar', 'sugar', 2, 'pinch', [0.525, 0.5, 0.5375], []],
	['1 level teaspoon of baking soda', 'baking-soda', 1, 'tsp', [4.6, 4.4, 6], []],
	[
		'٥٠٠ g طحين',
		null,
		500,
		'g',
		[500, 500, 500],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['Salt: 10 g', 'salt', 10, 'g', [10, 10, 10], []],
	['1 dessertspoon sugar', 'sugar', 1, 'dessertspoon', [8.3333, 8.125, 8.5417], []],
	['2 cups + 2 Tbsp. bread flour', 'flour-bread-enriched', 2.125, 'cup', [276.25, 255, 318.75], []],
	[
		'flour 2 cups + 2 tbsp',
		null,
		2.125,
		'cup',
		null,
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['salt – 1½ tsp', 'salt', 1.5, 'tsp', [9, 8.25, 9.45], []],
	['1 tsp. (5 g) salt', 'salt', 1, 'tsp', [5, 5, 5], ['volume-conflict']],
	['1 tsp salt (about 6 g)', 'salt', 1, 'tsp', [6, 6, 6], []],
	['water 1 cup (240 ml)', 'water', 1, 'cup', [240.0122, 240.0122, 240.0122], []],
	['Salt 2 tsp (or to taste)', 'salt', 2, 'tsp', [12, 11, 12.6], []],
	[
		'1 kg flour (type 550)',
		null,
		1,
		'kg',
		[1000, 1000, 1000],
		['ambiguous-ingredient'],
		{ candidates: ['flour-ap-enriched', 'flour-ap', 'flour-bread-enriched'] }
	],
	['450g/1lb strong white flour', 'flour-bread-enriched', 450, 'g', [450, 450, 450], []],
	['1oz/30g lard', 'lard', 1, 'oz', [28.3495, 28.3495, 28.3495], []],
	['1 bag (25 kg) bread flour', 'flour-bread-enriched', 1, 'bag', [25000, 25000, 25000], []],
	['25 kg bag of atta', 'flour-atta', 25, 'kg', [25000, 25000, 25000], []],
	['2 x 7 g sachets dried yeast', 'yeast-dry', 14, 'g', [14, 14, 14], []],
	['2C bread flour', 'flour-bread-enriched', 2, 'cup', [260, 240, 300], []],
	['1T olive oil', 'oil-olive', 1, 'tbsp', [13.5, 13.3, 13.8], []],
	['1/2tsp salt', 'salt', 0.5, 'tsp', [3, 2.75, 3.15], []],
	['Flour (maida) 2 cups', 'flour-ap', 2, 'cup', [250, 236, 290], []],
	['butter (unsalted), softened, 2 tbsp', 'butter-unsalted', 2, 'tbsp', [28.4, 28, 29], []],
	[
		'2½ cups (325 g) masa harina, plus a little more if it sticks',
		'masa-harina-enriched',
		2.5,
		'cup',
		[325, 325, 325],
		['volume-conflict'],
		{
			lines: [
				['masa-harina-enriched', 2.5, 'cup', 325, null],
				['masa-harina-enriched', null, null, null, 'dusting']
			]
		}
	],
	['1 stick (½ cup) unsalted butter, cold', 'butter-unsalted', 1, 'stick', [113.4, 113.4, 113.4], []],
	['three level tablespoons of dry milk', 'milk-powder-nonfat', 3, 'tbsp', [22.5, 20.625, 24.375], []],
	['one and three quarter cups of hot water', 'water', 1.75, 'cup', [414.05, 414.05, 414.05], []],
	[
		'1 cup lukewarm milk (about 100°F / 38°C)',
		null,
		1,
		'cup',
		[244, 242, 246],
		['ambiguous-ingredient'],
		{ candidates: ['milk-whole'], temperature_c: 37.7778 }
	],
	['a dozen tablespoons of olive oil', 'oil-olive', 12, 'tbsp', [162, 159.6, 165.6], []],
	['a quarter teaspoon of baking soda', 'baking-soda', 0.25, 'tsp', [1.15, 1.1, 1.5], []],
	['3 fat cloves of garlic', 'garlic-raw', 3, 'clove', [9, 6, 18], []],
	['500 g harina integral', 'flour-whole-wheat', 500, 'g', [500, 500, 500], []],
	[
		'2 cdas de aceite',
		null,
		2,
		'tbsp',
		[27, 25.6, 28],
		['ambiguous-ingredient'],
		{ candidates: ['oil-olive', 'oil-canola', 'oil-sunflower'] }
	],
	['a small handful of chopped cilantro', 'coriander-leaf', 1, 'handful', null, ['vague-unit']],
	[
		'¼ tsp each turmeric and paprika',
		'turmeric',
		0.25,
		'tsp',
		[0.75, 0.55, 0.8],
		[],
		{
			lines: [
				['turmeric', 0.25, 'tsp', 0.75, null],
				['paprika', 0.25, 'tsp', 0.575, null]
			]
		}
	],
	['2 to 2½ cups whole wheat flour', 'flour-whole-wheat', 2.25, 'cup', [270, 226, 337.5], []],
	[
		'1 1/2 to 2 tablespoons ghee for the layers',
		'ghee',
		1.75,
		'tbsp',
		[22.4, 18.75, 27],
		[],
		{ use: 'layering' }
	],
	['200 g cold lard, cubed', 'lard', 200, 'g', [200, 200, 200], []],
	['125 ml (½ cup) buttermilk', 'buttermilk', 125, 'ml', [129.4444, 128.3877, 130.5011], []],
	['2 tsp sesame oil for the pan', 'oil-sesame', 2, 'tsp', [9.0667, 8.9333, 9.2], [], { use: 'griddle' }],
	[
		'cornstarch, for dusting between the rounds',
		'cornstarch',
		null,
		null,
		null,
		['no-amount'],
		{ use: 'layering' }
	],
	['chickpea flour to dust the board', 'flour-chickpea', null, null, null, ['no-amount'], { use: 'dusting' }],
	['honey for brushing', 'honey', null, null, null, ['no-amount'], { use: 'brushing' }],
	[
		'garlic butter to brush on the warm bread',
		null,
		null,
		null,
		null,
		['unknown-ingredient', 'no-amount'],
		{ use: 'brushing' }
	],
	['1 tsp yeast (instant)', 'yeast-dry', 1, 'tsp', [3.1, 2.8, 4], []],
	[
		'around 350 ml of water at 30 °C',
		'water',
		350,
		'ml',
		[350.0178, 350.0178, 350.0178],
		[],
		{ temperature_c: 30 }
	],
	['under a teaspoon of salt', 'salt', 0.9, 'tsp', [5.4, 4.4, 6.3], []],
	['nearly a cup of water', 'water', 0.9, 'cup', [212.94, 189.28, 236.6], []],
	['just under 2 cups of atta', 'flour-atta', 1.8, 'cup', [225, 184, 280], []],
	['a touch more than half a cup of yogurt', 'yogurt-whole', 0.55, 'cup', [134.75, 120, 150], []],
	['about a tablespoon of honey', 'honey', 1, 'tbsp', [21, 20.5, 21.5], []],
	['roughly 2 cups bread flour', 'flour-bread-enriched', 2, 'cup', [260, 240, 300], []],
	[
		'1 cup masa harina + more as needed',
		'masa-harina-enriched',
		1,
		'cup',
		[114, 105, 125],
		[],
		{
			lines: [
				['masa-harina-enriched', 1, 'cup', 114, null],
				['masa-harina-enriched', null, null, null, null]
			]
		}
	],
	[
		'1 cup of water and a pinch of salt',
		'water',
		1,
		'cup',
		[236.6, 236.6, 236.6],
		[],
		{
			lines: [
				['water', 1, 'cup', 236.6, null],
				['salt', 1, 'pinch', 0.375, null]
			]
		}
	],
	[
		'1 kg atta, 20 g salt, 600 ml water and 50 g ghee',
		'flour-atta',
		1,
		'kg',
		[1000, 1000, 1000],
		[],
		{
			lines: [
				['flour-atta', 1, 'kg', 1000, null],
				['salt', 20, 'g', 20, null],
				['water', 600, 'ml', 600.0304, null],
				['ghee', 50, 'g', 50, null]
			]
		}
	],
	[
		'2 eggs and 1 cup whole milk',
		'egg',
		2,
		'each',
		[100, 92, 114],
		[],
		{
			lines: [
				['egg', 2, 'each', 100, null],
				['milk-whole', 1, 'cup', 244, null]
			]
		}
	],
	[
		'1 tsp kosher salt & ½ tsp baking powder',
		'salt-kosher',
		1,
		'tsp',
		[3.5, 2.8, 5],
		[],
		{
			lines: [
				['salt-kosher', 1, 'tsp', 3.5, null],
				['baking-powder', 0.5, 'tsp', 2.3, null]
			]
		}
	],
	[
		'water or whole milk, 1 cup',
		null,
		1,
		'cup',
		[236.6, 236.6, 246],
		['ambiguous-ingredient'],
		{ candidates: ['water', 'milk-whole'] }
	],
	[
		'salt and pepper',
		'salt',
		null,
		null,
		null,
		['no-amount'],
		{
			lines: [
				['salt', null, null, null, null],
				['black-pepper', null, null, null, null]
			]
		}
	],
	['1 cup cream', null, 1, 'cup', null, ['unknown-ingredient']],
	['2 cups oat milk', null, 2, 'cup', null, ['unknown-ingredient']],
	['1 tbsp almond butter', null, 1, 'tbsp', null, ['unknown-ingredient']],
	['2 tbsp buttermilk powder', null, 2, 'tbsp', null, ['unknown-ingredient']],
	['1 cup rice', null, 1, 'cup', null, ['unknown-ingredient']],
	['200 g potato starch', null, 200, 'g', [200, 200, 200], ['unknown-ingredient']],
	['1 tsp vanilla', null, 1, 'tsp', null, ['unknown-ingredient']],
	['3 grapes of salt', 'salt', 3, 'grapes', null, ['unknown-unit']],
	[
		'five blobs of butter',
		null,
		5,
		'lump',
		null,
		['ambiguous-ingredient', 'vague-unit'],
		{ candidates: ['butter-salted', 'butter-unsalted'] }
	],
	['7 wombles of sugar', 'sugar', 7, 'wombles', null, ['unknown-unit']]
];
