import { expect, it } from 'vitest';
import { whence } from './whence.ts';

it.each([
	['192.0.2.7', '192.0.2.7'],
	// The same address, as a server that listens on both kinds tells it.
	['::ffff:192.0.2.7', '192.0.2.7'],
	['::1', '0:0:0:0'],
	['2001:db8:1:2:aaaa:bbbb:cccc:dddd', '2001:db8:1:2'],
	['2001:0DB8:0001:0002::9', '2001:db8:1:2'],
	['2001:db8::9', '2001:db8:0:0'],
	['fe80::1%eth0', 'fe80:0:0:0']
])('%s is of %s', (address, place) => {
	expect(whence(address)).toBe(place);
});
