import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { hostname, networkInterfaces } from 'node:os';
import { madeForHere } from './certificate.ts';
import { Trouble, reasonOf } from './trouble.ts';

/** From where the application is reached, and by what names. */
export interface Reaching {
	/** The address it listens on. */
	host: string;
	/** Where it is opened first. */
	address: string;
	/** What a browser may call it: `name:port`, or a name alone on the usual port. */
	hosts: string[];
	tls: { cert: string; key: string } | null;
	/** What stands in front of it says who asks and how. */
	isBehindProxy: boolean;
	/** By nobody but who sits at this machine, without anything in between. */
	isLoopback: boolean;
	/** Fingerprint and file of the authority that was made for this machine. */
	authority: { fingerprint: string; file: string } | null;
}

const isLoopbackHost = (host: string): boolean =>
	/^127(\.\d{1,3}){3}$/.test(host) || host === '::1' || host === 'localhost';

/** This machine's addresses on the networks it is in. */
const addressesHere = (): string[] =>
	Object.values(networkInterfaces()).flatMap((of) =>
		(of ?? []).filter((each) => each.family === 'IPv4' && !each.internal).map((each) => each.address)
	);

/**
 * From where it is reached, by `HOST`, `ORIGIN`, `TLS_CERT` and `TLS_KEY`, `TRUST_PROXY`, or `--lan`. Without TLS it
 * is this machine alone: what goes over a network in the open is read by whoever is on it. Throws `Trouble`.
 */
export async function reaching(
	{ port, dataDir, isLan }: { port: number; dataDir: string; isLan: boolean },
	env: NodeJS.ProcessEnv = process.env
): Promise<Reaching> {
	const isBehindProxy = isYes(env.TRUST_PROXY);
	const origin = env.ORIGIN ? originOf(env.ORIGIN) : null;
	const names = isLan ? namesOnLan(env.HOST) : [env.HOST ?? '127.0.0.1'];
	const host = isLan ? (env.HOST ?? '0.0.0.0') : (names[0] ?? '127.0.0.1');
	const made = isLan ? await madeForHere(dataDir, names) : null;
	const tls = made ?? givenTls(env);
	if (!tls && !isLoopbackHost(host))
		throw new Trouble(
			`HOST is "${host}", and there is no certificate: passwords and all that is written down would go over the network in the open.`,
			'Let it make a certificate for this network:\n  npm start -- --lan\nor give one of your own with TLS_CERT and TLS_KEY, or stay on this machine (HOST=127.0.0.1).'
		);
	if (isBehindProxy && !origin)
		throw new Trouble(
			'TRUST_PROXY is set, and ORIGIN is not: nobody would know under which name it is opened.',
			'Give the address people open, such as ORIGIN=https://batch.example.'
		);
	if (origin?.protocol === 'http:' && !isLoopbackHost(origin.hostname))
		throw new Trouble(
			`ORIGIN is "${env.ORIGIN}": what people open would go over the network in the open.`,
			'Have the proxy serve https, and give ORIGIN with https.'
		);
	const scheme = tls ? 'https' : 'http';
	const opened = names.map((name) => `${scheme}://${name}${port === usualPort(scheme) ? '' : `:${port}`}`);
	return {
		host,
		address: origin?.origin ?? opened[0] ?? '',
		hosts: [
			...['127.0.0.1', 'localhost', ...names].flatMap((name) => [
				`${name}:${port}`,
				...(port === usualPort(scheme) ? [name] : [])
			]),
			...(origin ? [origin.host] : [])
		],
		tls: tls && { cert: tls.cert, key: tls.key },
		isBehindProxy,
		isLoopback: !tls && !isBehindProxy && (origin === null || isLoopbackHost(origin.hostname)),
		authority: made && { fingerprint: made.fingerprint, file: made.authorityFile }
	};
}

const isYes = (text: string | undefined): boolean => /^(1|yes|true|on)$/i.test(text ?? '');
const usualPort = (scheme: string): number => (scheme === 'https' ? 443 : 80);

/** What a browser on the network may call this machine. */
function namesOnLan(host: string | undefined): string[] {
	if (host) return [host];
	const addresses = addressesHere();
	if (addresses.length === 0)
		throw new Trouble(
			'This machine is in no network.',
			'Connect it to the one the tablet and the phone are in, and run this again.'
		);
	return [
		...addresses,
		`${hostname()
			.toLowerCase()
			.replace(/\.local$/, '')}.local`
	];
}

function originOf(text: string): URL {
	try {
		const url = new URL(text);
		if (/^https?:$/.test(url.protocol) && url.pathname === '/') return url;
	} catch {
		// Said below.
	}
	throw new Trouble(
		`ORIGIN is "${text}", which is no address people open.`,
		'Give its scheme, name and port, such as ORIGIN=https://batch.example.'
	);
}

function givenTls({ TLS_CERT, TLS_KEY }: NodeJS.ProcessEnv): { cert: string; key: string } | null {
	if (!TLS_CERT && !TLS_KEY) return null;
	if (!TLS_CERT || !TLS_KEY)
		throw new Trouble(
			'A certificate needs its key, and a key its certificate.',
			'Set both TLS_CERT and TLS_KEY to files.'
		);
	try {
		return { cert: readFileSync(TLS_CERT, 'utf8'), key: readFileSync(TLS_KEY, 'utf8') };
	} catch (error) {
		throw new Trouble(
			`The certificate or its key cannot be read: ${reasonOf(error)}.`,
			'See that TLS_CERT and TLS_KEY are files that this user may read.'
		);
	}
}

/** Tells the build from where it is reached; it reads its environment when it is loaded. */
export function tellBuild({ isLoopback, isBehindProxy, authority }: Reaching): void {
	const { env } = process;
	env.REACH = isLoopback ? 'loopback' : 'beyond';
	if (isBehindProxy) {
		env.ADDRESS_HEADER = 'x-forwarded-for';
		env.XFF_DEPTH ??= '1';
	}
	if (authority) {
		env.AUTHORITY_FINGERPRINT = authority.fingerprint;
		env.AUTHORITY_FILE = authority.file;
	}
	if (!isLoopback) env.FIRST_KEY ??= randomBytes(16).toString('base64url');
}
