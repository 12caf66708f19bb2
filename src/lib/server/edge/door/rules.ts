import type { Right } from '../../../people/roles.ts';

/**
 * Whom a door stands open to that asks for no right in the kitchen: everybody, a shared device that was let in, a device
 * that was put out, who came in at all, and who came in by a key of their own and not by a short code.
 */
export type Ask = Right | 'anybody' | 'device' | 'put out' | 'person' | 'self';

/** What else is asked. */
export interface More {
	/** A proof of who asks, not older than some minutes: what is dear is not done at a device that was left open. */
	proves?: true;
	/** It leaves the kitchen, on paper or as a file, or reaches a device of it: it is shut in practice. */
	leaves?: true;
}

/** What is asked of who reads a route, and of each thing that is done there, with what a list calls it; null where no list has it. */
export interface Rule {
	read?: Ask;
	/** What else is asked of who reads. */
	reading?: More;
	/** By the name of an action (`default` for one without), or the method of an endpoint. */
	acts?: Readonly<Record<string, readonly [ask: Ask, what: string | null, more?: More]>>;
}

const PROVES: More = { proves: true };
const LEAVES: More = { leaves: true };

/**
 * The one table of what every route asks, by its id. What is not in it is let in nowhere; a build and a test hold it
 * to the routes there are.
 */
export const RULES: Readonly<Partial<Record<string, Rule>>> = {
	'/': { read: 'look' },
	'/alive': { read: 'anybody' },
	'/ready': { read: 'anybody' },

	'/door': {
		read: 'anybody',
		acts: {
			in: ['anybody', 'came in'],
			demo: ['anybody', 'came in'],
			out: ['person', 'went out']
		}
	},
	'/door/again': { read: 'anybody', acts: { default: ['anybody', 'came in by a recovery code'] } },
	'/door/certificate': { read: 'anybody' },
	'/door/certificate/file': { read: 'anybody' },
	'/door/first': { read: 'anybody', acts: { default: ['anybody', 'began a kitchen'] } },
	'/door/invited/[code]': {
		read: 'anybody',
		acts: { new: ['anybody', 'took an invitation'], join: ['self', 'took an invitation'] }
	},
	'/door/let-in/[code]': { read: 'anybody', acts: { default: ['anybody', 'let a device in'] } },
	'/door/passkey.json': { read: 'anybody', acts: { POST: ['anybody', 'came in'] } },
	'/door/put-out': {
		read: 'put out',
		acts: { clear: ['put out', 'cleared a device that was put out'] }
	},
	'/door/who': { read: 'device', acts: { default: ['device', 'came in by a short code'] } },
	'/door/who.json': {
		read: 'device',
		acts: { POST: ['device', 'came in by a short code'], PUT: ['device', null] }
	},

	'/me': {
		read: 'self',
		acts: {
			name: ['self', 'changed their name'],
			password: ['self', 'changed their password'],
			codes: ['self', 'made recovery codes', PROVES],
			second: ['self', 'began a second factor', PROVES],
			secondOn: ['self', 'took up a second factor', PROVES],
			secondOff: ['self', 'gave up a second factor', PROVES],
			forgetKey: ['self', 'removed a passkey', PROVES],
			end: ['self', 'ended a session'],
			endOthers: ['self', 'ended their other sessions'],
			code: ['self', 'changed their short code', PROVES],
			dropCode: ['self', 'gave up a short code'],
			open: ['self', 'changed to a kitchen'],
			leave: ['self', 'left the kitchen'],
			erase: ['self', 'deleted their account', PROVES]
		}
	},
	'/me/data': { read: 'self', reading: LEAVES },
	'/me/deleted/[id]': { read: 'self' },
	'/me/prove': { read: 'self' },
	'/me/prove.json': { read: 'self', acts: { POST: ['self', 'proved who they are'] } },
	'/me/passkey.json': { read: 'self', reading: PROVES, acts: { POST: ['self', 'added a passkey', PROVES] } },

	'/left.json': { read: 'person', acts: { POST: ['person', 'left entries for the owner'] } },
	'/people': {
		read: 'people',
		acts: {
			invite: ['people', 'invited somebody'],
			helper: ['people', 'added a helper', PROVES],
			change: ['people', 'changed what somebody may', PROVES],
			code: ['people', 'gave a short code', PROVES],
			end: ['people', 'put somebody out', PROVES],
			letIn: ['people', 'made a code for a device', PROVES],
			device: ['people', 'changed a device'],
			putOut: ['people', 'put a device out', PROVES],
			withdraw: ['people', 'withdrew a code']
		}
	},
	'/people/left': {
		read: 'people',
		acts: { record: ['people', 'recorded what was left'], letGo: ['people', 'let go of what was left'] }
	},
	'/people/did': { read: 'people' },
	'/people/did/csv': { read: 'people', reading: { ...PROVES, ...LEAVES } },

	'/inspection': { read: 'inspect' },
	'/inspection/batch/[id]': { read: 'inspect' },
	'/inspection/label/[id]': { read: 'inspect' },

	'/jobs/[job]': {
		read: 'self',
		acts: {
			stop: ['self', 'stopped long work'],
			again: ['self', 'went on deleting'],
			open: ['self', 'changed to a kitchen']
		}
	},
	'/jobs/[job]/file': { read: 'self', reading: LEAVES },
	'/jobs/[job]/state.json': { read: 'self' },

	'/live': { read: 'hear' },
	'/find.json': { read: 'look' },

	'/plan': { read: 'look', acts: { tool: ['make', 'said what a tool is'] } },
	'/plan/[day]': {
		read: 'look',
		acts: {
			keep: ['make', 'changed what a day makes'],
			take: ['make', 'took a plan'],
			letGo: ['make', 'let a plan go'],
			begin: ['make', 'began the batches of a plan'],
			hours: ['make', 'said when a place sells']
		}
	},
	'/plan/[day]/calendar': { read: 'look', reading: LEAVES },
	'/plan/[day]/shopping': { read: 'look' },

	'/shelf': { read: 'look' },
	'/shelf/csv': { read: 'look', reading: LEAVES },
	'/shelf/json': { read: 'look', reading: LEAVES },
	'/shelf/import': {
		read: 'costs',
		acts: { preview: ['costs', 'read a shelf file'], import: ['costs', 'brought in a shelf file'] }
	},
	'/shelf/new': { read: 'formulate', acts: { default: ['formulate', 'put an ingredient on the shelf'] } },
	'/shelf/sheet': { read: 'costs', acts: { default: ['costs', 'confirmed and priced ingredients'] } },
	'/shelf/[id]': {
		read: 'look',
		acts: {
			save: ['formulate', 'saved an ingredient'],
			price: ['formulate', 'noted a price'],
			sell: ['formulate', 'began to sell a mix'],
			jars: ['stock', 'made jars'],
			measure: ['stock', 'weighed a measure'],
			forget: ['stock', 'forgot a measure']
		}
	},
	'/shelf/lots': { read: 'look', acts: { receive: ['stock', 'received a lot'] } },
	'/shelf/lots/count': { read: 'look', acts: { count: ['stock', 'counted the stock'] } },
	'/shelf/lots/[id]': { read: 'look', acts: { takeBack: ['stock', 'took a lot back'] } },

	'/formulas': { read: 'formula', acts: { new: ['formulate', 'began a formula'] } },
	'/formulas/import': { read: 'formulate', acts: { default: ['formulate', 'brought in a formula'] } },
	'/formulas/[id]': {
		read: 'formula',
		acts: {
			keep: ['formulate', 'kept a version'],
			discard: ['formulate', 'dropped a draft'],
			remember: ['formulate', 'taught a name'],
			shelve: ['formulate', 'put ingredients on the shelf'],
			duplicate: ['formulate', 'duplicated a formula'],
			archive: ['formulate', 'put a formula away or back']
		}
	},
	'/formulas/[id]/compare': { read: 'formula' },
	'/formulas/[id]/cost': { read: 'costs' },
	// Kept at every pause in typing: what is told of is the version that is kept.
	'/formulas/[id]/draft': { acts: { PUT: ['formulate', null] } },
	'/formulas/[id]/file': { read: 'formula', reading: LEAVES },
	'/formulas/[id]/history': { read: 'formula' },
	'/formulas/[id]/recipe': { read: 'formula', reading: LEAVES },
	'/formulas/[id]/reformulate': {
		read: 'costs',
		acts: { take: ['formulate', 'reformulated a formula'], trial: ['formulate', 'planned a trial'] }
	},

	'/sure/[of]/[id]': {
		read: 'formula',
		acts: {
			report: ['approve', 'noted a laboratory’s report'],
			withdraw: ['approve', 'withdrew a laboratory’s report']
		}
	},

	'/batches': { read: 'look' },
	'/batches/new': { read: 'make', acts: { default: ['make', 'planned a batch'] } },
	'/batches/[id]': {
		read: 'formula',
		acts: {
			record: ['make', 'recorded a batch'],
			correct: ['make', 'corrected a batch'],
			close: ['make', 'closed a batch'],
			minutes: ['make', 'noted minutes of work'],
			clean: ['make', 'noted a clean'],
			voidClean: ['make', 'took a clean back'],
			decide: ['approve', 'decided about an allergen']
		}
	},
	'/batches/[id]/entries.json': { read: 'formula', acts: { POST: ['make', 'entered at the bench'] } },
	'/batches/[id]/file': { read: 'formula', reading: LEAVES },
	'/batches/[id]/record': { read: 'formula', reading: LEAVES },
	'/batches/[id]/(bench)/weigh': { read: 'make' },
	'/batches/[id]/(bench)/mix': { read: 'make' },
	'/batches/[id]/(bench)/divide': { read: 'make' },
	'/batches/[id]/(bench)/surface': { read: 'make' },
	'/batches/[id]/(bench)/cook': { read: 'make' },
	'/batches/[id]/(bench)/pack': { read: 'make' },

	'/labels': { read: 'labels' },
	'/labels/[id]': {
		read: 'labels',
		acts: {
			print: ['labels', 'printed labels', LEAVES],
			take: ['labels', 'took labels to print', LEAVES],
			many: ['labels', 'took labels to print', LEAVES],
			roll: ['labels', 'looked at a roll', LEAVES],
			check: ['make', 'weighed packs'],
			shelfTest: ['make', 'began a shelf test'],
			shelfDay: ['make', 'noted a day of a shelf test'],
			save: ['approve', 'changed a label'],
			decide: ['approve', 'decided about an allergen'],
			approve: ['approve', 'approved a label', LEAVES]
		}
	},
	'/labels/[id]/pictures/[picture]': { read: 'labels' },
	'/labels/[id]/print': { read: 'labels', reading: LEAVES },
	'/labels/[id]/record': { read: 'formula', reading: LEAVES },
	'/labels/bars.json': { read: 'labels' },
	'/labels/printed/[job]': { read: 'labels', reading: LEAVES },

	'/sales': {
		read: 'ledger',
		acts: {
			sell: ['ledger', 'noted a sale'],
			void: ['ledger', 'took a sale back'],
			comeBack: ['ledger', 'took packs back'],
			pay: ['ledger', 'noted a payment'],
			erase: ['ledger', 'erased a customer']
		}
	},
	'/sales.csv': { read: 'ledger', reading: LEAVES },
	'/sales.json': { read: 'ledger', reading: LEAVES },
	'/sales/entries.json': { acts: { POST: ['sell', 'sold at the stall'] } },
	'/sales/import': {
		read: 'ledger',
		acts: { preview: ['ledger', 'read past sales'], import: ['ledger', 'brought in past sales'] }
	},
	'/sales/orders': {
		read: 'sell',
		acts: {
			take: ['sell', 'took an order'],
			change: ['sell', 'changed an order'],
			cancel: ['sell', 'cancelled an order'],
			handOver: ['sell', 'handed an order over']
		}
	},
	'/sales/profit': { read: 'ledger' },
	'/sales/stall': {
		read: 'sell',
		acts: { count: ['sell', 'counted the till'], soldOut: ['sell', 'said what is sold out'] }
	},
	'/sales/summary': { read: 'ledger' },

	'/trace': { read: 'trace' },
	'/trace/batch/[id]': { read: 'trace' },
	'/trace/batch/[id]/csv': { read: 'trace', reading: LEAVES },
	'/trace/lot/[id]': { read: 'trace' },
	'/trace/lot/[id]/csv': { read: 'trace', reading: LEAVES },

	// What is done in practice is in no list of what was done: nothing of it is real.
	'/practice': { read: 'make', acts: { begin: ['make', null], leave: ['make', null] } },
	'/practice/debrief/[id]': { read: 'make' },
	'/practice/finish': { read: 'make', acts: { default: ['make', null] } },
	'/practice/hands.json': { read: 'make', acts: { POST: ['make', null] } },
	'/practice/sheet/[exercise]': { read: 'make' },

	'/scale/[name]': { read: 'make', reading: LEAVES, acts: { POST: ['make', 'used the scale', LEAVES] } },
	'/scale/[name]/readings': { read: 'make', reading: LEAVES },

	'/kitchen': {
		read: 'settings',
		acts: {
			settings: ['settings', 'changed the kitchen'],
			family: ['settings', 'made a family'],
			removeFamily: ['settings', 'removed a family'],
			equipment: ['settings', 'noted equipment'],
			retire: ['settings', 'retired equipment'],
			risk: ['settings', 'noted a standing risk'],
			endRisk: ['settings', 'ended a standing risk'],
			measure: ['settings', 'made a measure'],
			removeMeasure: ['settings', 'removed a measure'],
			forget: ['settings', 'forgot a name']
		}
	},
	'/kitchen/costs': {
		read: 'settings',
		acts: {
			rates: ['settings', 'changed what work and energy cost'],
			power: ['settings', 'noted power'],
			fee: ['settings', 'changed a fee']
		}
	},
	'/kitchen/data': {
		read: 'data',
		acts: {
			open: ['self', 'changed to a kitchen'],
			begin: ['data', 'began a kitchen'],
			archive: ['data', 'asked for an archive', PROVES],
			close: ['data', 'closed the kitchen'],
			openAgain: ['data', 'opened the kitchen again'],
			remove: ['data', 'deleted the kitchen', PROVES]
		}
	},
	'/kitchen/data/restore': { acts: { POST: ['data', 'restored an archive'] } },
	'/kitchen/profile': { read: 'settings', acts: { save: ['settings', 'changed the local profile'] } },
	'/kitchen/spreads': { read: 'settings', acts: { save: ['settings', 'changed what spread is assumed'] } },
	'/kitchen/tare.json': { acts: { POST: ['make', 'weighed a container'] } },
	'/kitchen/unreadable': { read: 'settings', acts: { letGo: ['settings', 'let go of what cannot be read'] } }
};

/** What is asked for one request. */
export interface Asks extends More {
	ask: Ask;
	what: string | null;
}

/** What is asked for one request to a route; null where nothing is done there by such a one. */
export function ruleFor(routeId: string, method: string, action: string | null): Asks | null {
	const rule = RULES[routeId];
	if (!rule) return null;
	if (method === 'GET' || method === 'HEAD' || method === 'OPTIONS')
		return rule.read ? { ask: rule.read, what: null, ...rule.reading } : null;
	const acts = rule.acts ?? {};
	const name = action ?? method;
	const act = Object.hasOwn(acts, name) ? acts[name] : undefined;
	return act ? { ask: act[0], what: act[1], ...act[2] } : null;
}
