/** Of `TABLES` those of people, their devices, and how they came in. */
export const PEOPLE_TABLES = {
	persons: {
		text: ['id', 'name', 'created_at'],
		textOrNull: ['login', 'password_hash', 'second_secret', 'second_pending'],
		number: ['is_demo', 'version'],
		numberOrNull: ['second_step', 'is_first']
	},
	recovery_codes: {
		text: ['id', 'person_id', 'code_hash'],
		textOrNull: ['used_at']
	},
	passkeys: {
		text: ['id', 'person_id', 'credential_id', 'public_key', 'transports', 'name', 'created_at'],
		textOrNull: ['last_used_at'],
		number: ['counter']
	},
	memberships: {
		text: ['id', 'kitchen_id', 'name', 'role', 'created_at'],
		textOrNull: ['person_id', 'code_hash', 'reads_from', 'reads_to', 'until_day', 'ended_at'],
		number: ['version']
	},
	devices: {
		text: ['id', 'kitchen_id', 'name', 'kind', 'created_at', 'seen_from'],
		textOrNull: ['token_hash', 'membership_id', 'put_out_at', 'previous_hash', 'previous_ends_at'],
		number: ['idle_min']
	},
	pairings: {
		text: ['id', 'kitchen_id', 'code_hash', 'kind', 'name', 'membership_id', 'created_at', 'ends_at'],
		textOrNull: ['device_kind', 'role', 'reads_from', 'reads_to', 'until_day', 'used_at']
	},
	sessions: {
		text: ['id', 'person_id', 'token_hash', 'came_by', 'created_at', 'used_at', 'rotated_at', 'ends_at'],
		textOrNull: [
			'previous_hash',
			'previous_ends_at',
			'kitchen_id',
			'device_id',
			'ended_at',
			'practice_id',
			'proved_at'
		]
	},
	deeds: {
		text: ['id', 'kitchen_id', 'membership_id', 'done_at', 'what', 'path', 'of_what', 'from_where'],
		textOrNull: ['device_id']
	},
	left_entries: {
		text: ['id', 'kitchen_id', 'membership_id', 'queue', 'item', 'message', 'state', 'reason', 'left_at'],
		textOrNull: ['decided_at', 'deed_id']
	},
	challenges: {
		text: ['challenge', 'ends_at', 'ceremony', 'given_to']
	},
	creations: {
		text: ['of_table', 'id', 'kitchen_id', 'act', 'turn', 'made_at'],
		textOrNull: ['person_id']
	},
	rate_limits: {
		text: ['key'],
		number: ['points'],
		numberOrNull: ['expire']
	}
} as const;
