import { readNumber, type Read } from './reading.ts';
import { settled } from './round.ts';

/** A temperature as it was said, and where. */
export interface TemperatureSaid {
	temperature_c: number;
	words: string;
	from: number;
	to: number;
}

/** Above this nobody means Celsius of something that goes into dough: water boils. */
const HOTTEST_C = 100;

/** Below this a bare letter is a cup: `to 2 c`. */
const COLDEST_BARE = 20;

const NUMBER = '(\\d{1,3}(?:[.,]\\d+)?)(?:\\s?(?:-|–|—|to)\\s?(\\d{1,3}(?:[.,]\\d+)?))?';
const BEFORE =
	'(?:(?:warmed|heated|cooled|brought)\\s+)?(?:\\b(?:a|à|auf|mit|at|to)\\s|(?:about|around|roughly|approx(?:\\.|imately)?|ca\\.?|~|≈)\\s?){0,3}';
const SCALE = '(celsius|centigrade|fahrenheit|[cf])';

const MARKED = new RegExp(
	`${BEFORE}${NUMBER}\\s?(?:°|º|˚|degrees?\\b|degs?\\b\\.?|grados\\b|grad\\b|gradi\\b|degr[eé]s\\b)\\s?(?:${SCALE}(?!\\p{L}))?`,
	'iu'
);
/** Without a mark a letter alone could be a cup: it counts where a temperature stands. */
const LETTERED = new RegExp(
	`(?:(?:(?:warmed|heated|cooled|brought)\\s+)?\\b(?:at|to)\\s+(?:about\\s+|around\\s+)?|(?<=\\()\\s?(?:about\\s+|around\\s+|~\\s?)?)${NUMBER}\\s?${SCALE}(?!\\p{L})`,
	'iu'
);

/** The temperature a text says, in °C; null where it says none. Without a scale, above boiling it is Fahrenheit. */
export function temperatureSaid(text: string): TemperatureSaid | null {
	const marked = MARKED.exec(text);
	const found = marked ?? LETTERED.exec(text);
	if (!found || (!marked && numberOf(found[1] ?? '') < COLDEST_BARE)) return null;
	const [words, low = '', high, scale] = found;
	const value = high === undefined ? numberOf(low) : (numberOf(low) + numberOf(high)) / 2;
	const isFahrenheit = scale ? /^f/i.test(scale) : value > HOTTEST_C;
	return {
		temperature_c: settled(isFahrenheit ? ((value - 32) * 5) / 9 : value),
		words,
		from: found.index,
		to: found.index + words.length
	};
}

const numberOf = (text: string): number => Number(text.replace(',', '.'));

/** °C from a temperature as it is typed: `230`, `230 °C`, `450 F`. Without a scale it is Celsius. */
export function readTemperature(
	text: string,
	read: (text: string) => Read<number> = readNumber
): Read<number> {
	const found = /^(.*?)\s*(?:°|º)?\s*([cf])\.?$/i.exec(text.trim());
	const number = read(found?.[1] ?? text.replace(/[°º]\s*$/, ''));
	if (!number.ok || !found || /c/i.test(found[2] ?? '')) return number;
	return { ok: true, value: settled(((number.value - 32) * 5) / 9) };
}
