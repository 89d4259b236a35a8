import type { Knex } from 'knex';
import { MAX_PICTURE_MB, Picture, PictureList, PictureParams } from '@spare-acre/core/io/wire';
import { type GuardedRoutes, currentUser, guardedRoutes } from '../access/may';
import { bytesOf, pictureBytes } from '../reading/bodies';
import type { Readers } from '../reading/readers';
import { recordDeletion } from '../deleted/routes';
import { keepPicture, listPictures, noSuchPicture, readPicture, removePicture } from './pictures';

/** Pictures laid under plans. */
export function pictureRoutes(db: Knex, readers: Readers): GuardedRoutes {
  const api = guardedRoutes();

  api.get('/pictures', 'look', async (_req, res) => {
    res.json(PictureList.parse(await listPictures(db)));
  });

  api.post('/pictures', 'build', ...pictureBytes(`${MAX_PICTURE_MB}mb`), async (req, res) => {
    res.status(201).json(Picture.parse(await keepPicture(db, await readers.read('picture', bytesOf(req.body)))));
  });

  /** A picture under a name of the page's own, so that one sent twice is kept once. */
  api.put('/pictures/:pictureId', 'build', ...pictureBytes(`${MAX_PICTURE_MB}mb`), async (req, res) => {
    const { pictureId: id } = PictureParams.parse(req.params);
    res.status(201).json(Picture.parse(await keepPicture(db, await readers.read('picture', bytesOf(req.body)), { id })));
  });

  api.get('/pictures/:pictureId', 'look', async (req, res) => {
    const { pictureId } = PictureParams.parse(req.params);
    const picture = await readPicture(db, pictureId);
    if (picture === null) throw noSuchPicture();
    res.set('Cache-Control', 'private, max-age=31536000, immutable').type(picture.mediaType).send(picture.body);
  });

  api.delete('/pictures/:pictureId', 'delete', async (req, res) => {
    const { pictureId } = PictureParams.parse(req.params);
    const name = await removePicture(db, pictureId, currentUser(res));
    await recordDeletion(db, req, res, `picture: ${name}`);
    res.status(204).end();
  });
  return api;
}
