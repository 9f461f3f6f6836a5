import { createHash } from 'node:crypto';
import { json, Router } from 'express';
import { STORED_HEADER } from '../../contract/headers';
import { MOST_PHOTO_BYTES, MOST_PHOTOS } from '../../contract/limits';
import { isJpeg, NewPhotoDto, saysWhereTaken } from '../../contract/photo';
import { readDto } from '../../contract/readDto';
import { PLATE } from '../../core/call/plate';
import { findTerminal, owners } from '../../core/diagram/terminal';
import { refuseOther } from '../conflict';
import { diagramOfCall } from '../db/calls';
import type { ShopRows } from '../db/database';
import { findDiagram } from '../db/diagrams';
import { addPhoto, findPhoto, listPhotos } from '../db/photos';
import { encodedAnew } from '../encodedAnew';
import { onlyJson, uuidOf, valid } from '../input';
import { notFound, unusable } from '../problems';
import { rowsOf } from '../people/asker';

/** Whether a call's diagram has what a photo is of; true where there is no such call, which is said otherwise. */
async function isThere(rows: ShopRows, call: string, of: string): Promise<boolean> {
  if (of === PLATE) return true;
  const worked = await diagramOfCall(rows, call);
  const diagram = worked && (await findDiagram(rows, worked.diagramId, worked.version));
  if (!diagram) return true;
  return owners(diagram).some(({ id }) => id === of) || findTerminal(diagram, of).ok;
}

/** Photos of calls: sent once, listed, shown. */
export function photoRoutes(): Router {
  const router = Router();

  router.put('/photos/:id', onlyJson, json({ limit: '1mb' }), async (request, response) => {
    const id = uuidOf(request.params.id);
    const photo = valid(readDto(NewPhotoDto, request.body));
    const jpeg = Buffer.from(photo.jpeg, 'base64');
    const refuse = (message: string, path = '/jpeg'): never => {
      throw unusable([{ path, message }]);
    };
    if (!isJpeg(jpeg)) refuse('must be a JPEG in base64');
    if (jpeg.length > MOST_PHOTO_BYTES) refuse(`has more than ${MOST_PHOTO_BYTES} bytes: scale it`);
    if (saysWhereTaken(jpeg)) refuse('says where or by what it was taken: send it without Exif');
    if (photo.of !== undefined && !(await isThere(rowsOf(response), photo.callId, photo.of)))
      refuse(`the diagram of this call has no "${photo.of}"`, '/of');
    const anew = await encodedAnew(jpeg);
    const picture = anew.ok ? anew.value : refuse(anew.error);
    const sentSha256 = createHash('sha256').update(jpeg).digest();
    const { jpeg: _, ...said } = photo;
    const stored = await addPhoto(rowsOf(response), id, said, { jpeg: picture, sentSha256 });
    const sha256 = sentSha256.toString('hex');
    if (stored.photo) refuseOther('photo', { ...said, sha256 }, stored.photo);
    else if (!stored.call) throw notFound('such call');
    else if (!stored.drawnOn)
      throw unusable([{ path: '/drawnFrom', message: 'this call has no such photo to draw on' }]);
    else throw unusable([{ path: '', message: `a call has ${MOST_PHOTOS} photos at most` }]);
    response.setHeader(STORED_HEADER, id).status(204).end();
  });

  router.get('/calls/:id/photos', async (request, response) => {
    response.json(await listPhotos(rowsOf(response), uuidOf(request.params.id)));
  });

  router.get('/photos/:id', async (request, response) => {
    const jpeg = await findPhoto(rowsOf(response), uuidOf(request.params.id));
    if (!jpeg) throw notFound('such photo');
    response.type('image/jpeg').send(jpeg);
  });

  return router;
}
