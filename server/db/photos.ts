import { MOST_PHOTOS } from '../../contract/limits';
import type { NewPhotoDto, PhotoSummary } from '../../contract/photo';
import type { ShopQueries } from './database';

/** The photos of a call in the order in which they were taken, without the pictures. */
export async function listPhotos(db: ShopQueries, call: string): Promise<PhotoSummary[]> {
  const { rows } = await db.query<PhotoSummary>(
    `SELECT id, shows, shown_of AS "of", drawn_from AS "drawnFrom", phone_at AS "phoneAt" FROM photo
     WHERE shop = $1 AND call = $2 ORDER BY phone_at, id`,
    [db.shop, call],
  );
  return rows;
}

/** The picture of one photo; undefined where there is none. */
export async function findPhoto(db: ShopQueries, id: string): Promise<Buffer | undefined> {
  const { rows } = await db.query<{ jpeg: Buffer }>(
    'SELECT jpeg FROM photo WHERE shop = $1 AND id = $2',
    [db.shop, id],
  );
  return rows[0]?.jpeg;
}

/** Pictures of a call with what they show, for its report; of one that was drawn on the drawing alone. */
export async function picturesOf(
  db: ShopQueries,
  call: string,
  most: number,
): Promise<{ shows: string; jpeg: Buffer }[]> {
  const { rows } = await db.query<{ shows: string; jpeg: Buffer }>(
    `SELECT shows, jpeg FROM photo WHERE shop = $1 AND call = $2 AND NOT EXISTS (
       SELECT FROM photo drawn WHERE drawn.shop = $1 AND drawn.call = $2 AND drawn.drawn_from = photo.id)
     ORDER BY phone_at, id LIMIT $3`,
    [db.shop, call, most],
  );
  return rows;
}

/** What became of a photo that was sent. */
export interface AddedPhoto {
  /** What is stored under its id, by this sending or an earlier one, with the hash of what was sent; null where it was not stored. */
  photo: (Omit<NewPhotoDto, 'jpeg'> & { sha256: string }) | null;
  /** Whether its call is there. */
  call: boolean;
  /** Whether the photo that it is drawn on is there, or none is named. */
  drawnOn: boolean;
  /** How many the call has. */
  photos: number;
}

/**
 * Stores a photo once however often it is sent; none beyond what a call may have.
 * @param picture what is stored, and what tells whether the same is sent again
 */
export async function addPhoto(
  db: ShopQueries,
  id: string,
  { callId, shows, of, drawnFrom, phoneAt }: Omit<NewPhotoDto, 'jpeg'>,
  { jpeg, sentSha256 }: { jpeg: Buffer; sentSha256: Buffer },
): Promise<AddedPhoto> {
  const { rows } = await db.query<AddedPhoto>(
    `WITH of_call AS (SELECT id FROM call WHERE shop = $1 AND id = $3
     ), had AS (SELECT count(*)::integer AS number FROM photo WHERE shop = $1 AND call = $3
     ), under AS (SELECT $8::uuid IS NULL OR EXISTS (
         SELECT FROM photo WHERE shop = $1 AND call = $3 AND id = $8) AS there
     ), stored AS (
       INSERT INTO photo (shop, id, call, shows, jpeg, phone_at, shown_of, drawn_from, sent_sha256)
       SELECT $1, $2, $3, $4, $5, $6, $7, $8, $9 FROM of_call, had, under
       WHERE had.number < ${MOST_PHOTOS} AND under.there
       ON CONFLICT (shop, id) DO NOTHING
       RETURNING call, shows, jpeg, phone_at, shown_of, drawn_from, sent_sha256
     ), known AS (
       SELECT * FROM stored UNION ALL
       SELECT call, shows, jpeg, phone_at, shown_of, drawn_from, sent_sha256 FROM photo WHERE shop = $1 AND id = $2 LIMIT 1
     )
     SELECT (SELECT json_strip_nulls(json_build_object('callId', call, 'shows', shows, 'phoneAt', phone_at,
         'of', shown_of, 'drawnFrom', drawn_from, 'sha256', encode(coalesce(sent_sha256, sha256(jpeg)), 'hex'))) FROM known) AS photo,
       EXISTS (SELECT FROM of_call) AS call, (SELECT there FROM under) AS "drawnOn",
       (SELECT number FROM had) AS photos`,
    [db.shop, id, callId, shows, jpeg, phoneAt, of ?? null, drawnFrom ?? null, sentSha256],
  );
  const [row] = rows;
  if (!row) throw new Error('a statement that always has one row has none');
  return row;
}
