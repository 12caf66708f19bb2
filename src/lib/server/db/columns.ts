import type { Knex } from 'knex';

/** Columns and keys that every table shares; written once so that no table forgets its kitchen. */
export function kitchenTable(table: Knex.CreateTableBuilder): void {
	table.charset('utf8mb4');
	table.collate('utf8mb4_unicode_520_ci');
	idColumn(table, 'id').primary();
	idColumn(table, 'kitchen_id').notNullable();
	// Target of the foreign keys below: a row can only refer to one of its own kitchen.
	table.unique(['kitchen_id', 'id']);
	table.foreign('kitchen_id').references('kitchens.id');
}

/** A ULID column. */
export function idColumn(table: Knex.CreateTableBuilder, name: string): Knex.ColumnBuilder {
	return table.specificType(name, 'CHAR(26) CHARACTER SET ascii COLLATE ascii_bin');
}

/** A reference to a row of the same kitchen. */
export function refers(table: Knex.CreateTableBuilder, column: string, to: string): void {
	table.foreign(['kitchen_id', column]).references(['kitchen_id', 'id']).inTable(to);
}

/** A time in UTC, to the millisecond. */
export function timeColumn(table: Knex.CreateTableBuilder, name: string): Knex.ColumnBuilder {
	return table.specificType(name, 'DATETIME(3)');
}

/** Grams, to the thousandth. */
export function gramsColumn(table: Knex.CreateTableBuilder, name: string): Knex.ColumnBuilder {
	return table.decimal(name, 12, 3);
}

/** Money, to the ten-thousandth of the currency's unit. */
export function moneyColumn(table: Knex.CreateTableBuilder, name: string): Knex.ColumnBuilder {
	return table.decimal(name, 14, 4);
}

/** A rule that must hold for every row. */
export function check(knex: Knex, table: string, name: string, condition: string): Knex.Raw {
	return knex.raw(`ALTER TABLE ?? ADD CONSTRAINT ?? CHECK (${condition})`, [table, name]);
}

/** A JSON document as text: exact, and the same in every MariaDB. Add a `JSON_VALID` check beside it. */
export function jsonColumn(table: Knex.CreateTableBuilder, name: string): Knex.ColumnBuilder {
	return table.specificType(name, 'LONGTEXT');
}
