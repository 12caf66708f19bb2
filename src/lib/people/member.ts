import type { Role } from './roles.ts';
import type { Membership } from './types.ts';

/** Of an inspector: the days that are seen, and the last day of seeing them. */
export type Span = NonNullable<Membership['span']>;

/** Somebody of a kitchen, as its owner sees them. */
export interface Member {
	id: string;
	name: string;
	role: Role;
	span: Span | null;
	/** Whether they have a login, or only a short code. */
	hasLogin: boolean;
	hasCode: boolean;
	hasSecond: boolean;
	/** When they were last here; null if never. */
	lastSeen: string | null;
	version: number;
}

/** A device of a kitchen, as its owner sees it. */
export interface Device {
	id: string;
	name: string;
	kind: 'own' | 'shared';
	/** Whose it is, or who let it in. */
	of: string;
	idle_min: number;
	createdAt: string;
	lastSeen: string | null;
	/** Who worked at it last. */
	lastBy: string | null;
	putOutAt: string | null;
}

/** A code that still counts. */
export interface OpenPairing {
	id: string;
	kind: 'device' | 'person';
	name: string;
	role: Role | null;
	endsAt: string;
}
