import { newId } from '../../../src/lib/server/rows.ts';
import { ulid } from 'ulid';
import type { Making } from './form.ts';
import type { Subjects } from './subjects.ts';

/** Forms of `/sales`. */
export function salesForms({ day, fresh, stocked, sold }: Subjects): Record<string, Making> {
	return {
		'/sales sell': async () => ({
			draft: {
				kind: 'sale',
				lines: [{ id: newId(), batchId: await stocked(), packs: '1', price: '5.00' }],
				soldOn: day,
				channel: 'From the door',
				paidBy: 'cash',
				customer: '',
				reason: ''
			}
		}),
		'/sales/stall count': async () => ({
			isNew: true,
			draft: {
				id: newId(),
				channel: 'From the door',
				changeBrought: '20',
				cash: '52.50',
				card: '13.00',
				note: ''
			}
		}),
		'/sales void': async () => ({ draft: { saleId: await sold(), reason: 'a slip' } }),
		'/sales comeBack': async () => ({
			isNew: true,
			draft: { id: newId(), saleId: await sold(), packs: '1', soldOn: day, reason: 'torn', thrownAway: true }
		}),
		'/sales erase': async () => {
			const customer = fresh('Customer');
			await sold({ customer });
			return { draft: { customer } };
		},
		'/sales pay': async () => ({
			draft: { checkoutId: await sold({ paidBy: 'owed' }), paidBy: 'cash', paidOn: day }
		}),
		'/sales/import preview': async () => ({
			fields: { text: 'date,product,packs,price\n2024-05-04,Old loaf,2,5.25', channel: 'Fair', from: 'none' }
		}),
		'/sales/import import': async () => ({
			fields: {
				text: `date,product,packs,price\n2024-05-04,${fresh('Old loaf')},2,5.25`,
				channel: 'Fair',
				from: 'none',
				line: '2',
				key: ulid()
			}
		})
	};
}
