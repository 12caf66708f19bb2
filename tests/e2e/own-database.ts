import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startApplication, type Application } from '../../scripts/lib/application.ts';
import { layDemo } from '../../scripts/lib/demo-data.ts';
import { startMariaDb } from '../../scripts/lib/mariadb.ts';
import { freePort } from '../../scripts/lib/ports.ts';
import type { Role } from '../../src/lib/people/roles.ts';
import type { CameBy } from '../../src/lib/people/types.ts';
import { openDatabase, type Database } from '../../src/lib/server/db/connection.ts';
import { letDeviceIn } from '../../src/lib/server/people/devices.ts';
import { join as belong } from '../../src/lib/server/people/memberships.ts';
import { makePerson } from '../../src/lib/server/people/persons.ts';
import { newToken } from '../../src/lib/server/people/secrets.ts';
import { beginSession } from '../../src/lib/server/people/sessions.ts';

/** Somebody who is in: by what they say so, and what they are by. */
export interface SomebodyIn {
	cookies: string;
	personId: string;
	deviceId: string;
	sessionId: string;
}

/** An application with the demo's data whose database a test looks into. */
export interface OwnDatabase {
	application: Application;
	db: Database;
	/** Puts somebody in, on a device of their own, or by a short code on one that several share. */
	comeIn(as: { name: string; role: Role; kitchenId: string; cameBy?: CameBy }): Promise<SomebodyIn>;
	stop(): Promise<void>;
}

const EVER = { from: '2000-01-01', to: '2099-12-31', until: '2099-12-31' };

/** Starts one in a folder of its own. */
export async function ownDatabase(): Promise<OwnDatabase> {
	const folder = mkdtempSync(join(tmpdir(), 'square-batch-looked-into-'));
	layDemo(join(folder, 'database'));
	const mariadb = await startMariaDb(join(folder, 'database'), { durable: false });
	const application = await startApplication(join(folder, 'data'), await freePort(), {
		DATABASE_URL: mariadb.ownerUrl
	});
	const db = openDatabase(mariadb.ownerUrl);
	const { port } = new URL(application.address);
	return {
		application,
		db,
		comeIn: async ({ name, role, kitchenId, cameBy = 'password' }) => {
			const isByCode = cameBy === 'code';
			const personId = await makePerson(db, {
				name,
				login: isByCode ? null : name.replace(' ', '-'),
				password: isByCode ? null : 'three plain words'
			});
			const span = role === 'inspector' ? EVER : null;
			const membershipId = await belong(db, kitchenId, { personId, name, role, span });
			const device = newToken();
			const kind = isByCode ? 'shared' : 'own';
			const deviceId = (await letDeviceIn(db, kitchenId, { token: device, name, kind, membershipId })) ?? '';
			const token = await beginSession(db, { personId, cameBy, kitchenId, deviceId });
			const session = await db('sessions').where('person_id', personId).first('id');
			return {
				cookies: `square-batch-session-${port}=${token}; square-batch-device-${port}=${device}`,
				personId,
				deviceId,
				sessionId: session?.id ?? ''
			};
		},
		stop: async () => {
			await db.destroy();
			await application.stop();
			await mariadb.stop();
			rmSync(folder, { recursive: true, force: true });
		}
	};
}
