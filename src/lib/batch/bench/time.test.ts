import { expect, it } from 'vitest';
import { clockText, timesText } from './time.ts';

it.each([
	[20, 30, '20 to 30 min'],
	[null, 30, '30 min'],
	[15, null, '15 min'],
	[10, 10, '10 min'],
	[null, null, ''],
	// Of two hours and more the hours are said, where they are whole or half.
	[120, 240, '2 to 4 h'],
	[480, 1080, '8 to 18 h'],
	[1440, 4320, '24 to 72 h'],
	[90, 150, '90 to 150 min'],
	[119, 240, '119 to 240 min'],
	[150, 155, '150 to 155 min']
])('%s to %s minutes are said "%s"', (minutesLow, minutesHigh, said) => {
	expect(timesText({ minutesLow, minutesHigh })).toBe(said);
});

it('a clock shows hours only where there are some', () => {
	expect([clockText(11.4), clockText(65), clockText(-0.5)]).toEqual(['11:24', '1:05:00', '0:30']);
});
