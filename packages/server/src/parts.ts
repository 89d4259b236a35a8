import type { Knex } from 'knex';
import type { Logger } from 'pino';
import type { Reach } from '@spare-acre/core/io/wire';
import type { Access } from './access/sessions';
import type { Hub } from './live/hub';
import type { CatalogueKeeper } from './own/keeper';
import type { Readers } from './reading/readers';

/** What the application is put together from. */
export interface AppParts {
  readonly db: Knex;
  readonly keeper: CatalogueKeeper;
  readonly readers: Readers;
  readonly hub: Hub;
  readonly access: Access;
  readonly reach: Reach;
  /** Folder of the built web app; null serves the API alone. */
  readonly webDir: string | null;
  readonly log: Logger;
}
