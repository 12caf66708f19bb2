import type { Kitchen } from './lib/kitchen/types.ts';
import type { Who } from './lib/people/types.ts';
import type { Database } from '$lib/server/db/connection.ts';

declare global {
	namespace App {
		interface Locals {
			db: Database;
			/** The kitchen of who asks; where none is asked for (`edge/door/rules.ts`) there may be none. */
			kitchen: Kitchen;
			/** Who asks; null at the door. */
			who: Who | null;
			/** What the browser is known by, whoever sits at it; null of one that never came in. */
			deviceToken: string | null;
			/** By which what failed is found in what was printed. */
			requestId: string;
			/** Whether the whole answer stays true until something of the kitchen is changed. */
			isKnown?: boolean;
			/** The status of an answer that could not be given as the database is gone or full. */
			troubled?: 503 | 507;
		}
		interface Error {
			message: string;
			/** What to do about it. */
			remedy?: string;
			/** Where it can be mended. */
			wayOut?: { href: string; words: string };
		}
	}
}

export {};
