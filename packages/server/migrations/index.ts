import type { Knex } from 'knex';
import * as boards from './20261124090000_boards';
import * as pictures from './20261125001000_pictures';
import * as offcuts from './20261125040000_offcuts';
import * as cutSheets from './20261125180000_cut_sheets';
import * as revisionChanges from './20261128090000_revision_changes';
import * as checkedPlans from './20261128120000_checked_plans';
import * as revisionTitles from './20261128121000_revision_titles';
import * as access from './20261128122000_access';
import * as presence from './20261128123000_presence';
import * as ownValues from './20261129120000_own_values';
import * as ownEntries from './20261129130000_own_entries';
import * as shelfAndShops from './20261129140000_shelf_and_shops';
import * as editions from './20261129170000_editions';
import * as paid from './20261129180000_paid';
import * as customs from './20261129190000_customs';
import * as logbook from './20261129200000_logbook';
import * as deeds from './20261129210000_deeds';
import * as people from './20261201100000_people';
import * as measures from './20261202140000_measures';
import * as forgotten from './20261130000000_forgotten';
import * as readings from './20261129060000_readings';
import * as testPiecePictures from './20261129010000_test_piece_pictures';

/** All migrations in order. Once merged, one is never edited; the next change is a new file and a new line. */
export const MIGRATIONS: readonly { readonly name: string; readonly migration: Knex.Migration }[] = [
  { name: '20261124090000_boards', migration: boards },
  { name: '20261125001000_pictures', migration: pictures },
  { name: '20261125040000_offcuts', migration: offcuts },
  { name: '20261125180000_cut_sheets', migration: cutSheets },
  { name: '20261128090000_revision_changes', migration: revisionChanges },
  { name: '20261128120000_checked_plans', migration: checkedPlans },
  { name: '20261128121000_revision_titles', migration: revisionTitles },
  { name: '20261128122000_access', migration: access },
  { name: '20261128123000_presence', migration: presence },
  { name: '20261129010000_test_piece_pictures', migration: testPiecePictures },
  { name: '20261129060000_readings', migration: readings },
  { name: '20261129120000_own_values', migration: ownValues },
  { name: '20261129130000_own_entries', migration: ownEntries },
  { name: '20261129140000_shelf_and_shops', migration: shelfAndShops },
  { name: '20261129170000_editions', migration: editions },
  { name: '20261129180000_paid', migration: paid },
  { name: '20261129190000_customs', migration: customs },
  { name: '20261129200000_logbook', migration: logbook },
  { name: '20261129210000_deeds', migration: deeds },
  { name: '20261130000000_forgotten', migration: forgotten },
  { name: '20261201100000_people', migration: people },
  { name: '20261202140000_measures', migration: measures },
];
