import { isIP } from 'node:net';

/** RFC 5280, 4.2.1.10. */
export const NAME_CONSTRAINTS = '2.5.29.30';

const MOST_SHORT = 127;

/** A DER value: its tag, its length, what it holds. */
function der(tag: number, ...parts: Uint8Array[]): Uint8Array {
	const body = Buffer.concat(parts);
	const length =
		body.length <= MOST_SHORT
			? [body.length]
			: body.length < 256
				? [0x81, body.length]
				: [0x82, body.length >> 8, body.length & 0xff];
	return Buffer.concat([Buffer.from([tag, ...length]), body]);
}

const SEQUENCE = 0x30;
/** Of `NameConstraints` and of `GeneralName`, by their numbers. */
const PERMITTED = 0xa0;
const DNS_NAME = 0x82;
const IP_ADDRESS = 0x87;

const WHOLE_OCTET = 0xff;

/** An address with a mask of all ones: itself alone. */
function addressBytes(address: string): Uint8Array {
	const octets = address.split('.').map(Number);
	return Buffer.from([...octets, ...octets.map(() => WHOLE_OCTET)]);
}

/**
 * The extension that holds an authority to these names: a certificate of it for any other host is believed by nobody.
 * Addresses are IPv4, each by itself.
 */
export function nameConstraints(names: readonly string[]): ArrayBuffer {
	const trees = [...names].sort().map((name) => {
		const base = isIP(name) ? der(IP_ADDRESS, addressBytes(name)) : der(DNS_NAME, Buffer.from(name, 'ascii'));
		return der(SEQUENCE, base);
	});
	return new Uint8Array(der(SEQUENCE, der(PERMITTED, ...trees))).buffer;
}
