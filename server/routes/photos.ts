import { createHash } from 'node:crypto';
import { json, Router } from 'express';
import { STORED_HEADER } from '../../contract/headers';
import { MOST_PHOTO_BYTES, MOST_PHOTOS } from '../../contract/limits';
import { isJpeg, NewPhotoDto, saysWhereTaken } from '../../contract/photo';
import { readDto } from '../../contract/readDto';
import { refuseOther } from '../conflict';
import type { Database } from '../db/database';
import { addPhoto, findPhoto, listPhotos } from '../db/photos';
import { onlyJson, uuidOf, valid } from '../input';
import { notFound, unusable } from '../problems';
import { shopOf } from '../shop';

/** Photos of calls: sent once, listed, shown. */
export function photoRoutes(db: Database): Router {
  const router = Router();

  router.put('/photos/:id', onlyJson, json({ limit: '1mb' }), async (request, response) => {
    const id = uuidOf(request.params.id);
    const photo = valid(readDto(NewPhotoDto, request.body));
    const jpeg = Buffer.from(photo.jpeg, 'base64');
    const refuse = (message: string): never => {
      throw unusable([{ path: '/jpeg', message }]);
    };
    if (!isJpeg(jpeg)) refuse('must be a JPEG in base64');
    if (jpeg.length > MOST_PHOTO_BYTES) refuse(`has more than ${MOST_PHOTO_BYTES} bytes: scale it`);
    if (saysWhereTaken(jpeg)) refuse('says where or by what it was taken: send it without Exif');
    const stored = await addPhoto(db, shopOf(response), id, photo, jpeg);
    const { jpeg: _, ...said } = photo;
    const sha256 = createHash('sha256').update(jpeg).digest('hex');
    if (stored.photo) refuseOther('photo', { ...said, sha256 }, stored.photo);
    else if (!stored.call) throw notFound('such call');
    else throw unusable([{ path: '', message: `a call has ${MOST_PHOTOS} photos at most` }]);
    response.setHeader(STORED_HEADER, id).status(204).end();
  });

  router.get('/calls/:id/photos', async (request, response) => {
    response.json(await listPhotos(db, shopOf(response), uuidOf(request.params.id)));
  });

  router.get('/photos/:id', async (request, response) => {
    const jpeg = await findPhoto(db, shopOf(response), uuidOf(request.params.id));
    if (!jpeg) throw notFound('such photo');
    response.type('image/jpeg').send(jpeg);
  });

  return router;
}
