/** The first four of the eight groups of an IPv6 address: whoever has one of a network has all of it. */
const NETWORK_GROUPS = 4;

/** From where an address is, as one place: an IPv4 address itself, of IPv6 the network of 64 bits. */
export function whence(address: string): string {
	const plain = address.replace(/%.*$/, '').replace(/^::ffff:(?=\d+\.)/i, '');
	if (!plain.includes(':')) return plain;
	const [before = '', after] = plain.split('::');
	const groupsOf = (text: string) => (text === '' ? [] : text.split(':'));
	const [first, last] = [groupsOf(before), groupsOf(after ?? '')];
	const missing = after === undefined ? 0 : Math.max(0, 8 - first.length - last.length);
	const groups = [...first, ...Array<string>(missing).fill('0'), ...last];
	return groups
		.slice(0, NETWORK_GROUPS)
		.map((group) => group.toLowerCase().replace(/^0+(?=.)/, ''))
		.join(':');
}
