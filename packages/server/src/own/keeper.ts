import { createHash } from 'node:crypto';
import type { Knex } from 'knex';
import { type Catalogue, withOwn } from '@spare-acre/core/catalogue';
import { type PersonalCorrection, handsFrom } from '@spare-acre/core/learning/calibration';
import { type Kind, type LeftOut, type OwnCatalogue, type TermsOf, withEntries } from '@spare-acre/core/catalogue/editing';
import { listReadings, listRefused } from '../logbook/logbook';
import { listOwn } from './own-values';

/** The catalogue as the builder has it, at one edition of it. */
export interface Kept {
  readonly edition: string;
  readonly own: OwnCatalogue;
  /** With the builder's entries and figures. */
  readonly catalogue: Catalogue;
  readonly leftOut: readonly LeftOut[];
  readonly pictures: readonly PictureRow[];
  /** What the logs say of it, what is refused of that among it. */
  readonly learnt: readonly PersonalCorrection[];
  readonly refused: readonly string[];
}
/** Knows the catalogue that ships and what the builder made of it. */
export interface CatalogueKeeper {
  readonly ours: Catalogue;
  /** As it is now, by whichever server it was changed. */
  readonly now: () => Promise<Kept>;
  /** As it was at one of its last editions that this server has seen. */
  readonly at: (edition: string) => Kept | undefined;
}
/** Editions kept, for pages that ask what changed since theirs. */
const KEPT_EDITIONS = 8;

export function keepCatalogue(db: Knex, ours: Catalogue): CatalogueKeeper {
  let known: Kept | null = null;
  let last: readonly Kept[] = [];
  // A newer program may bring a newer catalogue to a workshop in which nothing changed.
  const shipped = createHash('sha256').update(JSON.stringify(ours)).digest('hex').slice(0, 12);
  return {
    ours,
    at: (edition) => last.find((kept) => kept.edition === edition),
    async now() {
      const {
        edition: number,
        currency,
        terms,
        week_starts_on: weekStartsOn,
        measures,
      } = (await db<WorkshopRow>('workshop').first().where('id', 1))!;
      const edition = `${shipped}-${number}`;
      if (known?.edition === edition) return known;
      const [entries, outOfUse, figures, pictures, readings, refused] = await Promise.all([
        db<EntryRow>('own_entries').select('kind', 'id', 'body').orderBy('set_at').orderBy('id'),
        db<{ path: string }>('out_of_use').select('path').orderBy('path'),
        listOwn(db),
        db<PictureRow>('entry_pictures').select('kind', 'id', 'picture_id').orderBy(['kind', 'id']),
        listReadings(db),
        listRefused(db),
      ]);
      const own: OwnCatalogue = { entries, outOfUse: outOfUse.map(({ path }) => path), currency, terms, weekStartsOn, measures };
      const { catalogue, leftOut } = withEntries(ours, own);
      const withFigures = withOwn(catalogue, figures);
      known = { edition, own, catalogue: withFigures, leftOut, pictures, learnt: handsFrom(readings, withFigures), refused };
      last = [...last, known].slice(-KEPT_EDITIONS);
      return known;
    },
  };
}
interface WorkshopRow {
  readonly id: number;
  readonly edition: number;
  readonly currency: string | null;
  readonly terms: TermsOf;
  readonly week_starts_on: number;
  readonly measures: OwnCatalogue['measures'];
}
interface PictureRow {
  readonly kind: Kind;
  readonly id: string;
  readonly picture_id: string;
}
interface EntryRow {
  readonly kind: Kind;
  readonly id: string;
  readonly body: unknown;
}

/** Changes something of the builder's own: all of it or nothing, and every server on this database knows it at its next look. */
export const changed = <T>(db: Knex, work: (trx: Knex.Transaction) => Promise<T>): Promise<T> =>
  db.transaction(async (trx) => {
    // Drawn, not counted: a store that is put back to what it was must not come to a number that was seen with something else.
    await trx('workshop')
      .where('id', 1)
      .update({ edition: trx.raw('floor(random() * 2000000000)::int') });
    return work(trx);
  });
