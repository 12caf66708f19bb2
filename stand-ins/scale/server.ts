import { Hono } from 'hono';
import { bodyLimit } from 'hono/body-limit';
import { stream } from 'hono/streaming';
import { listen, type StandIn } from '../listen.ts';
import { scaleModel, type ScaleModel, type ScaleTraits } from './model.ts';

/** Lines a second, as kitchen scales with a port send them. */
const LINES_PER_S = 10;
const MOST_SCALES = 200;
const MOST_BYTES = 10_000;

/**
 * Stands in for scales on 127.0.0.1, each by its name and made when first asked for.
 *
 * `GET /NAME/readings` is a line of text per reading for as long as somebody listens; it ends when the
 * scale is unplugged. `GET /NAME` is how it stands. `POST /NAME` is the hand at it: `{"put": grams}`
 * (below zero takes off), `{"empty": true}`, or traits to change.
 */
export async function startScales(port = 0): Promise<StandIn> {
	const scales = new Map<string, ScaleModel>();
	/** How often each was unplugged: whoever listened then hears no more of it. */
	const unplugged = new Map<string, number>();
	/** How many listen to each. */
	const listening = new Map<string, number>();
	const now = () => performance.now();
	const scaleOf = (name: string): ScaleModel | null => {
		const scale = scales.get(name) ?? (hasRoom() ? scaleModel(Math.random) : null);
		if (!scale) return null;
		// The one asked for last stands last: those nobody asks for any more come to the front.
		scales.delete(name);
		scales.set(name, scale);
		return scale;
	};

	/** Whether another scale may be made: the one that was asked for longest ago is let go, if nobody listens to it. */
	const hasRoom = (): boolean => {
		if (scales.size < MOST_SCALES) return true;
		for (const name of scales.keys())
			if (!listening.has(name)) {
				scales.delete(name);
				unplugged.delete(name);
				return true;
			}
		return false;
	};

	const app = new Hono<{ Variables: { scale: ScaleModel } }>();
	app.use(bodyLimit({ maxSize: MOST_BYTES }));
	app.use('/:name{[a-z0-9-]{1,40}}/*', async (c, next) => {
		const scale = scaleOf(c.req.param('name'));
		if (!scale) return c.notFound();
		c.set('scale', scale);
		return next();
	});
	app.get('/:name{[a-z0-9-]{1,40}}', (c) => c.json(c.get('scale').state()));
	app.get('/:name{[a-z0-9-]{1,40}}/readings', (c) => {
		const [name, scale] = [c.req.param('name'), c.get('scale')];
		if (!scale.state().connected) return c.body(null, 503);
		c.header('content-type', 'text/plain');
		return stream(c, async (out) => {
			const before = unplugged.get(name);
			listening.set(name, (listening.get(name) ?? 0) + 1);
			while (!out.aborted && unplugged.get(name) === before) {
				await out.write(`${scale.line(now())}\r\n`);
				await out.sleep(1000 / LINES_PER_S);
			}
			const left = (listening.get(name) ?? 1) - 1;
			if (left > 0) listening.set(name, left);
			else listening.delete(name);
		});
	});
	app.post('/:name{[a-z0-9-]{1,40}}', async (c) => {
		const scale = c.get('scale');
		const hand = readHand(await c.req.text());
		if (!hand) return c.json({ message: 'not understood' }, 400);
		if (hand.empty) scale.put(-scale.state().load_g, now());
		if (hand.put !== undefined) scale.put(hand.put, now());
		scale.change(hand.traits, now());
		const name = c.req.param('name');
		if (!scale.state().connected) unplugged.set(name, (unplugged.get(name) ?? 0) + 1);
		return c.json(scale.state());
	});
	app.notFound((c) => c.json({ message: 'there is no such scale' }, 404));
	return listen(app, port);
}

interface Hand {
	put?: number;
	empty: boolean;
	traits: Partial<ScaleTraits>;
}

function readHand(text: string): Hand | null {
	try {
		const said = JSON.parse(text) as Record<string, unknown>;
		const number = (key: string, least: number) => {
			const value = said[key];
			if (value === undefined) return {};
			if (typeof value !== 'number' || !Number.isFinite(value) || value < least) throw new Error(key);
			return { [key]: value };
		};
		const flag = (key: string) => (typeof said[key] === 'boolean' ? { [key]: said[key] } : {});
		return {
			...number('put', -Infinity),
			empty: said.empty === true,
			traits: {
				...number('division_g', 0.001),
				...number('capacity_g', 1),
				...number('drift_gPerMinute', -Infinity),
				...flag('batteryLow'),
				...flag('connected')
			}
		};
	} catch {
		return null;
	}
}
