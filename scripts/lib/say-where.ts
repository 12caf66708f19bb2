import QRCode from 'qrcode';
import { openDatabase } from '../../src/lib/server/db/connection.ts';
import { isAnybodyHere } from '../../src/lib/server/people/persons.ts';
import type { Reaching } from './reach.ts';

/** Prints where it is, how a phone takes its certificate, and how the first owner comes in from elsewhere. */
export async function sayWhere(
	{ address, hosts, isLoopback, authority }: Reaching,
	databaseUrl: string
): Promise<void> {
	console.log(`\nSquare Batch is at ${address}\nCtrl-C stops it.`);
	if (isLoopback) return;
	if (authority) {
		console.log(
			`Also at: ${hosts
				.filter((host) => !address.endsWith(host))
				.map((host) => `https://${host}`)
				.join(', ')}`
		);
		const take = `${address}/door/certificate`;
		console.log(`\nA phone or tablet takes the certificate of this machine once, at ${take}`);
		console.log(await QRCode.toString(take, { type: 'terminal', small: true }));
		console.log(
			`It warns before it has it. Go on only if it shows this fingerprint:\n${authority.fingerprint}`
		);
	}
	const db = openDatabase(databaseUrl);
	try {
		if (!(await isAnybodyHere(db)))
			console.log(`\nThe first owner begins at ${address}/door/first?key=${process.env.FIRST_KEY ?? ''}`);
	} finally {
		await db.destroy();
	}
}
