import type { Knex } from 'knex';
import { countChanges, countNoMore } from '../counted.ts';

/** What a kitchen keeps is on every page of its owner: pages kept until what they read is changed go by it too. */
export const up = (knex: Knex): Promise<void> => countChanges(knex, 'kitchen_usage');

export const down = (knex: Knex): Promise<void> => countNoMore(knex, 'kitchen_usage');
