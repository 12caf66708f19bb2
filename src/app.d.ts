import type { Kitchen } from './lib/kitchen/types.ts';
import type { Database } from '$lib/server/db/connection.ts';

declare global {
	namespace App {
		interface Locals {
			db: Database;
			kitchen: Kitchen;
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
