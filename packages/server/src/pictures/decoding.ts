import sharp, { type Metadata } from 'sharp';
import { MAX_PICTURE_PX } from '@spare-acre/core/io/wire';
import { HttpProblem } from '../problems';

/** A picture as it is kept. */
export interface SoundPicture {
  readonly mediaType: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly bytes: Uint8Array;
}

/** More than any camera of a phone takes; unpacked it is the most memory that one picture may cost. */
const MAX_PIXELS = 100_000_000;
const MEDIA_TYPES = { png: 'image/png', jpeg: 'image/jpeg' } as const;

/**
 * Decodes a picture to its last line. A large one is made smaller, one that lies on its side is set upright, and what a camera writes beside the picture
 * (where, when, with what) is left out; any other is kept byte for byte.
 * @throws HttpProblem 415 for anything but PNG or JPEG, told by its bytes and not by what it calls itself; 422 for one that is cut off, damaged or too large
 */
export async function soundPicture(body: Uint8Array): Promise<SoundPicture> {
  const { format, width = 0, height = 0, orientation = 1, pages = 1, exif, xmp, iptc, comments } = await headOf(body);
  if ((format !== 'png' && format !== 'jpeg') || pages > 1) throw notAPicture();
  if (width * height > MAX_PIXELS)
    throw unusable(`picture: got ${width} × ${height} pixels. Enter up to ${MAX_PIXELS / 1e6} million in total.`);
  const saysMore = [exif, xmp, iptc].some((said) => said !== undefined) || (comments ?? []).length > 0;
  const isKept = Math.max(width, height) <= MAX_PICTURE_PX && orientation === 1 && !saysMore;
  const upright = sharp(body, { limitInputPixels: MAX_PIXELS, failOn: 'truncated' }).autoOrient();
  const fitted = upright.resize({ width: MAX_PICTURE_PX, height: MAX_PICTURE_PX, fit: 'inside', withoutEnlargement: true });
  const decoded = format === 'png' ? fitted.png() : fitted.jpeg({ quality: 85 });
  const { data, info } = await decoded.toBuffer({ resolveWithObject: true }).catch(() => {
    throw unusable('picture: the file is damaged or incomplete. Choose the complete file.');
  });
  return { mediaType: MEDIA_TYPES[format], widthPx: info.width, heightPx: info.height, bytes: isKept ? body : data };
}

async function headOf(body: Uint8Array): Promise<Metadata> {
  try {
    return await sharp(body, { limitInputPixels: false }).metadata();
  } catch {
    // The library throws for what it does not know: that is the builder's file, not a fault of ours.
    throw notAPicture();
  }
}

const notAPicture = (): HttpProblem =>
  new HttpProblem(415, 'Not a picture', 'picture: the file is neither PNG nor JPEG. Choose one of these.');
const unusable = (detail: string): HttpProblem => new HttpProblem(422, 'The picture cannot be used', detail);
