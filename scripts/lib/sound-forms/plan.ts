import type { KeptPlan, PlanBasis, PlanWish } from '../../../src/lib/plan/types.ts';
import { takeOrder } from '../../../src/lib/server/orders/keep.ts';
import { today } from '../../../src/lib/server/kitchens.ts';
import { pageOfPlan } from '../../../src/lib/server/plan/page.ts';
import { takePlan } from '../../../src/lib/server/plan/plans.ts';
import { newId } from '../../../src/lib/server/rows.ts';
import type { OrderInput } from '../../../src/lib/orders/types.ts';
import { plannedTasks } from '../../../src/lib/testing/plan-tasks.ts';
import { madeToday } from '../made-today.ts';
import type { Making } from './form.ts';
import type { Subjects } from './subjects.ts';

const DAY_MS = 86_400_000;

/** Forms of `/plan` and of orders. */
export function planForms({
	db,
	kitchen,
	day,
	other,
	fresh,
	equipment,
	product
}: Subjects): Record<string, Making> {
	/** Another day each time, on which nobody has planned anything. */
	const freshDay = () =>
		new Date(Date.parse(`${day}T00:00:00Z`) + (30 + other()) * DAY_MS).toISOString().slice(0, 10);
	const planOf = (of: string): Promise<{ basis: PlanBasis; plan: KeptPlan }> =>
		pageOfPlan(db, kitchen, of, null);
	/** What is wished of a day: two packs of one product, with time enough. */
	const wished = async (of: string) => {
		const { basis, plan } = await planOf(of);
		const [first] = basis.products;
		const wish: PlanWish = { ...plan.wish, packs: { [first?.productId ?? '']: 2 } };
		return { basis, wish };
	};
	const tasksOf = (basis: PlanBasis, wish: PlanWish) => plannedTasks(basis, wish, kitchen.timeZone, 50);
	/** A day whose plan was taken. */
	const taken = async () => {
		const of = freshDay();
		const { basis, wish } = await wished(of);
		await takePlan(db, kitchen, basis, { version: 0, wish, tasks: tasksOf(basis, wish), inTime: 0.9 });
		return of;
	};
	const orderOf = async (productId: string): Promise<OrderInput> => ({
		customer: fresh('Somebody'),
		fetchedOn: day,
		place: 'From the door',
		note: '',
		weekly: false,
		paid: '',
		lines: [{ productId, packs: 1, price: '5.00' }]
	});
	/** The same as a person types it. */
	const typedOrder = async () => {
		const { lines, ...order } = await orderOf(await product());
		return { ...order, lines: lines.map((line) => ({ ...line, packs: String(line.packs) })) };
	};
	const ordered = async (productId?: string) => {
		const id = newId();
		await takeOrder(db, kitchen, id, await orderOf(productId ?? (await product())));
		return id;
	};
	/** A product of which a pack is there to be fetched. */
	const inStock = async () => (await madeToday(db, today(kitchen), kitchen.id)).product_id;
	return {
		'/plan tool': async () => ({
			draft: { id: await equipment(), kind: 'bowl', places: '1', capacity_g: '4000' }
		}),
		'/plan/[day] keep': async () => {
			const of = freshDay();
			return { id: of, draft: { version: 0, wish: (await wished(of)).wish } };
		},
		'/plan/[day] take': async () => {
			const of = freshDay();
			const { basis, wish } = await wished(of);
			return { id: of, draft: { version: 0, wish, tasks: tasksOf(basis, wish), inTime: 0.9 } };
		},
		'/plan/[day] letGo': async () => ({ id: await taken(), draft: { version: 1 } }),
		'/plan/[day] begin': async () => ({ id: await taken(), draft: { version: 1 } }),
		'/plan/[day] hours': async () => ({ id: freshDay(), draft: { opens: '08:30', closes: '12:30' } }),
		'/sales/orders take': async () => ({
			isNew: true,
			draft: { id: newId(), ...(await typedOrder()) }
		}),
		'/sales/orders change': async () => ({
			draft: { id: await ordered(), version: 1, ...(await typedOrder()), note: 'comes late' }
		}),
		'/sales/orders cancel': async () => ({
			draft: { id: await ordered(), version: 1, reason: 'ill', endSeries: false }
		}),
		'/sales/orders handOver': async () => ({
			draft: { id: await ordered(await inStock()), version: 1, paid: 'cash' }
		}),
		'/sales/stall soldOut': async () => ({
			isNew: true,
			draft: { id: newId(), place: fresh('Fair'), productId: await product(), is: true }
		})
	};
}
