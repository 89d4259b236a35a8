import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { MAX_PICTURES_MB } from '@spare-acre/core/io/wire';
import { markDeleted } from '../deleted/deleted';
import { HttpProblem } from '../problems';
import type { SoundPicture } from './decoding';

export interface StoredPicture {
  readonly id: string;
  readonly mediaType: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

/** A picture in the list. */
interface ListedPicture extends StoredPicture {
  readonly bytes: number;
  readonly keptAt: string;
  /** Boards that show it today, those put away among them. */
  readonly usedBy: readonly { readonly id: string; readonly name: string }[];
  readonly isInHistory: boolean;
}

const MEBI = 1_048_576;
/** Any number: pictures are weighed one after another, so that two at once do not both find the last room. */
const WEIGHING = 4_117;
/** So long a picture that no board shows is kept: an edit with it may not have been saved yet. */
const SWEPT_AFTER_DAYS = 7;

/** Stores a picture that was looked at; one that is there already under that id stays. @param maxMb of all pictures together @throws HttpProblem 507 where all together would be more than is kept */
export async function keepPicture(
  db: Knex,
  { mediaType, widthPx, heightPx, bytes }: SoundPicture,
  { id = randomUUID() as string, maxMb = MAX_PICTURES_MB }: { readonly id?: string; readonly maxMb?: number } = {},
): Promise<StoredPicture> {
  await db.transaction(async (trx) => {
    await trx.raw('select pg_advisory_xact_lock(?)', [WEIGHING]);
    const kept = await weight(trx);
    if (kept + bytes.byteLength > maxMb * MEBI) {
      const of = `${Math.round(kept / MEBI)} of ${maxMb} MB are used`;
      throw new HttpProblem(507, 'Not enough space', `picture: ${of}. Delete pictures that no board uses, or choose a smaller one.`);
    }
    await trx('pictures')
      .insert({ id, media_type: mediaType, width_px: widthPx, height_px: heightPx, body: Buffer.from(bytes) })
      .onConflict('id')
      .merge({ deleted_at: null, deleted_by: null });
  });
  return { id, mediaType, widthPx, heightPx };
}

async function weight(db: Knex): Promise<number> {
  const { bytes } = (await db('pictures')
    .whereNull('deleted_at')
    .first(db.raw('coalesce(sum(octet_length(body)), 0)::float8 as bytes'))) as { bytes: number };
  return bytes;
}

/** A picture with its bytes, or null. */
export async function readPicture(db: Knex, id: string): Promise<{ readonly mediaType: string; readonly body: Buffer } | null> {
  const row = await db<{ id: string; media_type: string; body: Buffer }>('pictures')
    .first('media_type', 'body')
    .where({ id })
    .whereNull('deleted_at');
  return row === undefined ? null : { mediaType: row.media_type, body: row.body };
}

/** SQL: whether something in a log or an entry of the catalogue shows a picture. */
const ELSEWHERE = `(exists (select from entry_pictures where picture_id = pictures.id)
  or exists (select from log_entries where deleted_at is null and jsonb_exists(entry -> 'photoIds', pictures.id::text)))`;
/** SQL: whether a stored plan shows a picture, under it or as the photo of a test piece. @param id an expression for the picture's id as text */
const shows = (id: string): string =>
  `(plan #>> '{underlay,imageId}' = ${id} or plan -> 'testPieces' @> jsonb_build_array(jsonb_build_object('imageId', ${id})))`;
const SHOWS_IT = shows('pictures.id::text');

/** Every picture, the newest first, with who shows it. */
export async function listPictures(db: Knex): Promise<{ readonly pictures: readonly ListedPicture[]; readonly bytes: number }> {
  const { rows } = await db.raw<{
    rows: {
      id: string;
      media_type: string;
      width_px: number;
      height_px: number;
      bytes: number;
      created_at: Date;
      used_by: never;
      in_history: boolean;
    }[];
  }>(`
    with shown as materialized (
      select id, name, plan #>> '{underlay,imageId}' as picture_id from boards
      union select id, name, piece ->> 'imageId' from boards cross join jsonb_array_elements(plan -> 'testPieces') as piece
    )
    select id, media_type, width_px, height_px, octet_length(body) as bytes, created_at,
      (select coalesce(json_agg(json_build_object('id', id, 'name', name) order by name), '[]') from shown where picture_id = pictures.id::text) as used_by,
      exists (select from revision_pictures where picture_id = pictures.id::text) as in_history
    from pictures where deleted_at is null order by created_at desc, id`);
  const pictures = rows.map((row) => ({
    id: row.id,
    mediaType: row.media_type,
    widthPx: row.width_px,
    heightPx: row.height_px,
    bytes: row.bytes,
    keptAt: row.created_at.toISOString(),
    usedBy: row.used_by,
    isInHistory: row.in_history,
  }));
  return { pictures, bytes: pictures.reduce((sum, { bytes }) => sum + bytes, 0) };
}

/**
 * Deletes a picture; it can be brought back for 30 days. Earlier versions that showed it show their plan without it.
 * @returns its name
 * @throws HttpProblem 404 for one that is not there, 409 for one that a board or an entry shows
 */
export async function removePicture(db: Knex, id: string, by: string | null): Promise<string> {
  const isFree = await db('pictures')
    .first('id')
    .where({ id })
    .whereNull('deleted_at')
    .whereRaw(`not exists (select from boards where ${SHOWS_IT})`)
    .whereRaw(`not ${ELSEWHERE}`);
  if (isFree !== undefined) return (await markDeleted(db, 'picture', { id }, by)) ?? '';
  const shown = (await db('boards').select('name').whereRaw(shows('?::text'), [id, id])) as { name: string }[];
  const onEntries = await db('entry_pictures').select('id').where({ picture_id: id });
  if (onEntries.length > 0) throw new HttpProblem(409, 'Still in use', 'picture: a catalogue entry shows it. Remove it there first.');
  if ((await db('log_entries').whereNull('deleted_at').whereRaw("jsonb_exists(entry -> 'photoIds', ?)", [id])).length > 0)
    throw new HttpProblem(409, 'Still in use', 'picture: a logbook entry shows it. Delete that entry first.');
  if (shown.length === 0) throw noSuchPicture();
  const names = shown.map(({ name }) => `“${name}”`).join(', ');
  throw new HttpProblem(409, 'Still in use', `picture: ${names} ${shown.length === 1 ? 'shows' : 'show'} it. Remove it there first.`);
}

/** Takes out pictures that no board shows, nor any earlier version. @returns how many */
export const sweepPictures = async (db: Knex): Promise<number> =>
  db('pictures')
    .whereRaw(`created_at < now() - interval '${SWEPT_AFTER_DAYS} days'`)
    .whereRaw(`not exists (select from boards where ${SHOWS_IT})`)
    .whereRaw('not exists (select from revision_pictures where picture_id = pictures.id::text)')
    .whereRaw(`not ${ELSEWHERE}`)
    .delete();

export const noSuchPicture = (): HttpProblem => new HttpProblem(404, 'No such picture', 'There is no picture with that id.');
