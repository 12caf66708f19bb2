/** Of `TABLES` those of what is planned, labelled, ordered and sold. */
export const SALES_TABLES = {
	channel_fees: {
		text: ['id', 'kitchen_id', 'channel', 'valid_from', 'per_day', 'share', 'created_at'],
		textOrNull: ['deed_id']
	},
	orders: {
		text: [
			'id',
			'kitchen_id',
			'customer',
			'fetched_on',
			'place',
			'note',
			'state',
			'created_at',
			'updated_at'
		],
		textOrNull: ['paid_by', 'paid_on', 'series_id'],
		number: ['version']
	},
	order_lines: {
		text: ['id', 'kitchen_id', 'order_id', 'product_id', 'price'],
		number: ['position', 'packs']
	},
	plans: {
		text: ['id', 'kitchen_id', 'day', 'place', 'wish', 'created_at', 'updated_at'],
		textOrNull: ['taken', 'taken_at'],
		number: ['version']
	},
	print_jobs: {
		text: ['id', 'kitchen_id', 'label_revision_id', 'created_at', 'updated_at', 'went_to'],
		textOrNull: ['batch_id', 'deed_id'],
		number: ['copies', 'printed']
	},
	sales: {
		text: ['id', 'kitchen_id', 'sold_on', 'channel', 'price', 'reason', 'created_at', 'kind', 'customer'],
		textOrNull: [
			'batch_id',
			'voids_id',
			'paid_by',
			'checkout_id',
			'returns_id',
			'sold_at',
			'item',
			'product_id',
			'total',
			'deed_id',
			'order_id'
		],
		number: ['packs', 'is_given'],
		numberOrNull: ['pieces']
	},
	sales_months: {
		text: ['kitchen_id', 'month', 'product_id', 'item', 'channel', 'paid_by', 'kind', 'money'],
		number: ['pack_pieces', 'is_given', 'packs', 'entries']
	},
	sale_payments: {
		text: ['id', 'kitchen_id', 'checkout_id', 'amount', 'paid_by', 'paid_on', 'created_at'],
		textOrNull: ['deed_id']
	},
	sold_outs: {
		text: ['id', 'kitchen_id', 'place', 'product_id', 'sold_out_on', 'sold_out_at', 'created_at'],
		textOrNull: ['taken_back_at', 'deed_id']
	},
	till_counts: {
		text: [
			'id',
			'kitchen_id',
			'counted_on',
			'channel',
			'change_brought',
			'cash',
			'card',
			'cash_sold',
			'card_sold',
			'note',
			'created_at'
		],
		textOrNull: ['deed_id']
	}
} as const;
