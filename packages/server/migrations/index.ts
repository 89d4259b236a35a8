import type { Knex } from 'knex';
import * as boards from './20261124090000_boards';

/** All migrations in order. Once merged, one is never edited; the next change is a new file and a new line. */
export const MIGRATIONS: readonly { readonly name: string; readonly migration: Knex.Migration }[] = [
  { name: '20261124090000_boards', migration: boards },
];
