import { Router } from 'express';
import type { Knex } from 'knex';
import { MAX_PICTURE_MB, Picture, PictureList, PictureParams } from '@spare-acre/core/wire';
import { bytesOf, pictureBytes } from '../reading/bodies';
import type { Readers } from '../reading/readers';
import { keepPicture, listPictures, noSuchPicture, readPicture, removePicture } from './pictures';

/** Pictures laid under plans. */
export function pictureRoutes(db: Knex, readers: Readers): Router {
  const api = Router();

  api.get('/pictures', async (_req, res) => {
    res.json(PictureList.parse(await listPictures(db)));
  });

  api.post('/pictures', ...pictureBytes(`${MAX_PICTURE_MB}mb`), async (req, res) => {
    res.status(201).json(Picture.parse(await keepPicture(db, await readers.read('picture', bytesOf(req.body)))));
  });

  /** A picture under a name of the page's own, so that one sent twice is kept once. */
  api.put('/pictures/:pictureId', ...pictureBytes(`${MAX_PICTURE_MB}mb`), async (req, res) => {
    const { pictureId: id } = PictureParams.parse(req.params);
    res.status(201).json(Picture.parse(await keepPicture(db, await readers.read('picture', bytesOf(req.body)), { id })));
  });

  api.get('/pictures/:pictureId', async (req, res) => {
    const { pictureId } = PictureParams.parse(req.params);
    const picture = await readPicture(db, pictureId);
    if (picture === null) throw noSuchPicture();
    res.set('Cache-Control', 'private, max-age=31536000, immutable').type(picture.mediaType).send(picture.body);
  });

  api.delete('/pictures/:pictureId', async (req, res) => {
    const { pictureId } = PictureParams.parse(req.params);
    await removePicture(db, pictureId);
    res.status(204).end();
  });
  return api;
}
