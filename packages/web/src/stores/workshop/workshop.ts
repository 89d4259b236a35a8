import type { z } from 'zod';
import { type Customs, EntryBody } from '@spare-acre/core/io/wire';
import type { Kind } from '@spare-acre/core/catalogue/editing';
import { useCatalogue } from './catalogue';
import { call } from '../device/client';

/** One entry of the catalogue. */
export type Entry = Record<string, unknown> & { readonly id: string };

const placeOf = (kind: Kind, id: string): string => `/catalogue/${kind}/${encodeURIComponent(id)}`;
/** Does something to the catalogue and takes it anew. @throws ServerProblem with what is wrong, field by field */
async function renewed(work: Promise<unknown>): Promise<void> {
  await work;
  await useCatalogue().renew();
}
export const keepEntry = (kind: Kind, entry: Entry): Promise<void> => renewed(call(null, 'PUT', placeOf(kind, entry.id), { entry }));
export const keepEntries = (entries: readonly { readonly kind: Kind; readonly id: string; readonly body: unknown }[]): Promise<void> =>
  renewed(call(null, 'POST', '/catalogue/entries', { entries: entries.map(({ kind, id, body }) => ({ kind, id, entry: body })) }));
/** Back to ours, or away altogether. */
export const dropEntry = (kind: Kind, id: string): Promise<void> => renewed(call(null, 'DELETE', placeOf(kind, id)));
export const setInUse = (kind: Kind, id: string, isInUse: boolean): Promise<void> =>
  renewed(call(null, 'PUT', `${placeOf(kind, id)}/use`, { isInUse }));
/** Money, whose words, and the first day of a week: what is named changes. */
export const setCustoms = (change: z.input<typeof Customs>): Promise<void> => renewed(call(null, 'PUT', '/customs', change));
/** Gives an entry a picture; null takes it away. */
export const setPicture = (kind: Kind, id: string, pictureId: string | null): Promise<void> =>
  renewed(call(null, 'PUT', `${placeOf(kind, id)}/picture`, { pictureId }));
/** What ships, where the builder has put their own. */
export const fetchOurs = async (kind: Kind, id: string): Promise<Entry> =>
  (await call(EntryBody, 'GET', `${placeOf(kind, id)}/ours`)).entry;
