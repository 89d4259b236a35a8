import { imageSize } from 'image-size';
import type { Knex } from 'knex';
import { randomUUID } from 'node:crypto';
import { LIMITS } from '@spare-acre/core/fields';
import { HttpProblem } from './problems';

export interface StoredPicture {
  readonly id: string;
  readonly mediaType: string;
  readonly widthPx: number;
  readonly heightPx: number;
}

const MEDIA_TYPES: Readonly<Record<string, string>> = { png: 'image/png', jpg: 'image/jpeg' };

/**
 * Stores a picture, told by its bytes and not by what the browser calls it.
 * @throws HttpProblem 415 for anything but PNG or JPEG, 422 for a picture without a sensible size
 */
export async function keepPicture(db: Knex, body: Buffer): Promise<StoredPicture> {
  const size = measure(body);
  const mediaType = MEDIA_TYPES[size.type ?? ''];
  if (mediaType === undefined) throw notAPicture();
  const { max } = LIMITS.pixels;
  if (!(size.width >= 1 && size.height >= 1 && size.width <= max && size.height <= max)) {
    throw new HttpProblem(
      422,
      'The picture cannot be used',
      `picture: got ${size.width} × ${size.height} pixels; 1 to ${max} either way would do.`,
    );
  }
  const picture = { id: randomUUID(), mediaType, widthPx: size.width, heightPx: size.height };
  await db('pictures').insert({ id: picture.id, media_type: mediaType, width_px: size.width, height_px: size.height, body });
  return picture;
}

/** A picture with its bytes, or null. */
export async function readPicture(db: Knex, id: string): Promise<{ readonly mediaType: string; readonly body: Buffer } | null> {
  const row = await db<{ id: string; media_type: string; body: Buffer }>('pictures').first('media_type', 'body').where({ id });
  return row === undefined ? null : { mediaType: row.media_type, body: row.body };
}

function measure(body: Buffer): ReturnType<typeof imageSize> {
  try {
    return imageSize(body);
  } catch {
    // The library throws for what it does not know: that is the builder's file, not a fault of ours.
    throw notAPicture();
  }
}

const notAPicture = (): HttpProblem =>
  new HttpProblem(415, 'Not a picture', 'picture: its bytes are neither PNG nor JPEG; one of these would do.');
