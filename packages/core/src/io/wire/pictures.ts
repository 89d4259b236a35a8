import { z } from 'zod';
import { BoardId } from './boards';

/** A file as it may be sent: a photo straight from a phone. */
export const MAX_PICTURE_MB = 12;
/** All pictures of all boards together. */
export const MAX_PICTURES_MB = 300;
/** A larger picture is made smaller: this many pixels along its longer side are finer than a table is drawn. */
export const MAX_PICTURE_PX = 3_000;
/** A picture as it was kept; its bytes are at `/api/pictures/{id}`. */
export const Picture = z.strictObject({
  id: z.uuid(),
  mediaType: z.string(),
  widthPx: z.number().int().min(1),
  heightPx: z.number().int().min(1),
});
/** Every picture there is, the newest first, each with the boards that show it today; one in no list may still stand in an earlier version. */
export const PictureList = z.strictObject({
  pictures: z.array(
    Picture.extend({
      bytes: z.number().int(),
      keptAt: z.iso.datetime(),
      usedBy: z.array(z.strictObject({ id: BoardId, name: z.string() })),
      isInHistory: z.boolean(),
    }),
  ),
  bytes: z.number().int(),
});
export const PictureParams = z.strictObject({ pictureId: z.uuid('expected the id of a picture') });
