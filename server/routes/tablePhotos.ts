import { json, Router } from 'express';
import { MOST_TABLE_PHOTO_BYTES } from '../../contract/limits';
import { isJpeg } from '../../contract/photo';
import { readDto } from '../../contract/readDto';
import { TablePhotoDto, type PhotoTables } from '../../contract/tablePhoto';
import { onlyJson, valid } from '../input';
import { unusable } from '../problems';
import type { TablePhotos } from '../tablePhoto/tablePhotos';

/** Contact tables out of a photo of a sheet: read, told, and nothing of it kept. */
export function tablePhotoRoutes(photos: TablePhotos): Router {
  const router = Router();
  // In base64 a third more.
  const limit = Math.ceil(MOST_TABLE_PHOTO_BYTES * 1.35);
  router.post('/table-photos', onlyJson, json({ limit }), async (request, response) => {
    const { jpeg } = valid(readDto(TablePhotoDto, request.body));
    const bytes = Buffer.from(jpeg, 'base64');
    if (!isJpeg(bytes)) throw unusable([{ path: '/jpeg', message: 'must be a JPEG in base64' }]);
    response.json({ tables: await photos.read(bytes) } satisfies PhotoTables);
  });
  return router;
}
