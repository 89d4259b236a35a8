import type { Knex } from 'knex';
import * as boards from './20261124090000_boards';
import * as pictures from './20261125001000_pictures';
import * as offcuts from './20261125040000_offcuts';
import * as cutSheets from './20261125180000_cut_sheets';
import * as revisionChanges from './20261128090000_revision_changes';

/** All migrations in order. Once merged, one is never edited; the next change is a new file and a new line. */
export const MIGRATIONS: readonly { readonly name: string; readonly migration: Knex.Migration }[] = [
  { name: '20261124090000_boards', migration: boards },
  { name: '20261125001000_pictures', migration: pictures },
  { name: '20261125040000_offcuts', migration: offcuts },
  { name: '20261125180000_cut_sheets', migration: cutSheets },
  { name: '20261128090000_revision_changes', migration: revisionChanges },
];
