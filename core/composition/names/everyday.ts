/** What is in every bread, in the words of kitchens whose bread is flat; several words are one name. */
const MEANINGS: Record<string, Record<string, string>> = {
	Spanish: {
		flour: 'harina',
		'wheat flour': 'harina de trigo|harina blanca',
		water: 'agua',
		oil: 'aceite|aceite vegetal',
		fat: 'grasa',
		lard: 'manteca|manteca de cerdo|manteca de puerco',
		butter: 'mantequilla',
		salt: 'sal|sal de mesa',
		sugar: 'azucar|azucar blanca',
		yeast: 'levadura|levadura de panadero',
		'dry yeast': 'levadura seca|levadura instantanea',
		yogurt: 'yogur|yogurt natural|yogur natural',
		milk: 'leche',
		'olive oil': 'aceite de oliva'
	},
	Hindi: {
		atta: 'aata|ata|gehu ka atta|आटा|गेहूं का आटा',
		maida: 'maida|मैदा',
		water: 'pani|paani|garam pani|पानी',
		oil: 'tel|तेल',
		fat: 'charbi|चर्बी',
		ghee: 'ghi|घी',
		butter: 'makhan|makkhan|मक्खन',
		salt: 'namak|नमक',
		sugar: 'cheeni|chini|shakkar|चीनी|शक्कर',
		yeast: 'khamir|khameer|खमीर|यीस्ट',
		yogurt: 'dahi|दही',
		milk: 'doodh|dudh|दूध'
	},
	Urdu: {
		atta: 'آٹا|gandum ka atta|گندم کا آٹا',
		maida: 'میدہ',
		water: 'پانی',
		oil: 'تیل',
		fat: 'چربی',
		ghee: 'گھی',
		butter: 'مکھن',
		salt: 'نمک',
		sugar: 'چینی|shakar|شکر',
		yeast: 'خمیر',
		yogurt: 'دہی',
		milk: 'دودھ'
	},
	Arabic: {
		flour: 'daqiq|dakik|dageeg|taheen|دقيق|طحين',
		water: 'maa|mayy|moya|mayya|ماء',
		oil: 'zayt|zeit|zait|زيت',
		fat: 'dihn|دهن',
		ghee: 'samn|samna|samneh|سمن|سمنة',
		butter: 'zibda|zubda|زبدة',
		salt: 'milh|malh|melh|ملح',
		sugar: 'sukkar|sukar|سكر',
		yeast: 'khamira|khameera|خميرة',
		yogurt: 'zabadi|زبادي',
		milk: 'halib|haleeb|حليب',
		'olive oil': 'zayt zaytun|zeit zeitoun|zait zaitoun|زيت زيتون'
	},
	Turkish: {
		flour: 'un|unu',
		'wheat flour': 'bugday unu',
		'whole wheat flour': 'tam bugday unu',
		'corn flour': 'misir unu',
		'rice flour': 'pirinc unu',
		water: 'su|ilik su|sicak su',
		oil: 'yag|sivi yag|sivi yagi',
		butter: 'tereyagi|tereyag',
		salt: 'tuz',
		sugar: 'seker|toz seker',
		yeast: 'maya',
		'dry yeast': 'kuru maya|instant maya',
		'fresh yeast': 'yas maya',
		yogurt: 'yogurt',
		milk: 'sut',
		'baking powder': 'kabartma tozu',
		'olive oil': 'zeytinyagi|zeytin yagi',
		'sunflower oil': 'aycicek yagi'
	},
	Indonesian: {
		flour: 'tepung',
		'wheat flour': 'tepung terigu|terigu',
		'rice flour': 'tepung beras',
		water: 'air|air hangat|air panas',
		oil: 'minyak|minyak goreng|minyak sayur',
		fat: 'lemak',
		butter: 'mentega',
		salt: 'garam',
		sugar: 'gula|gula pasir',
		yeast: 'ragi',
		'dry yeast': 'ragi instan|ragi kering',
		yogurt: 'yogurt|yoghurt',
		milk: 'susu',
		'coconut oil': 'minyak kelapa',
		'olive oil': 'minyak zaitun'
	},
	Swahili: {
		flour: 'unga',
		'wheat flour': 'unga wa ngano',
		'corn flour': 'unga wa mahindi',
		water: 'maji|maji ya moto|maji moto|maji ya uvuguvugu',
		oil: 'mafuta|mafuta ya kupikia',
		fat: 'shahamu',
		ghee: 'samli',
		butter: 'siagi',
		salt: 'chumvi',
		sugar: 'sukari',
		yeast: 'hamira|amira',
		yogurt: 'mtindi',
		milk: 'maziwa',
		'sunflower oil': 'mafuta ya alizeti'
	}
};

/** By language and what it means in English, what is said for it. */
export const EVERYDAY: Record<string, Record<string, string[]>> = Object.fromEntries(
	Object.entries(MEANINGS).map(([language, meanings]) => [
		language,
		Object.fromEntries(Object.entries(meanings).map(([english, said]) => [english, said.split('|')]))
	])
);
