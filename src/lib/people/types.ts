import type { Right, Role } from './roles.ts';

/** How somebody came in. */
export type CameBy = 'password' | 'passkey' | 'code' | 'pairing' | 'demo';

/** Who is asking, as what, on which device. */
export interface Who {
	personId: string;
	name: string;
	login: string | null;
	isDemo: boolean;
	session: {
		id: string;
		cameBy: CameBy;
		/** When they last proved who they are, in UTC; null where they did not. */
		provedAt: string | null;
	};
	/** Null where no kitchen is open on this device. */
	membership: Membership | null;
	/** The kitchen beside which they practise; null where they do not: then all is real. */
	practice: { besideId: string } | null;
	device: { id: string; name: string; kind: 'own' | 'shared'; idle_min: number } | null;
	/** Whether the kitchen is closed: it is read, and nothing in it is changed. */
	isClosed: boolean;
	rights: readonly Right[];
}

/** What somebody is in a kitchen. */
export interface Membership {
	id: string;
	kitchenId: string;
	name: string;
	role: Role;
	/** Of an inspector: the days that are seen, and the last day of seeing them. */
	span: { from: string; to: string; until: string } | null;
}

/** A kitchen somebody belongs to. */
export interface MyKitchen {
	id: string;
	name: string;
	town: string;
	role: Role;
	/** Whether nothing was ever put into it. */
	isEmpty: boolean;
}
