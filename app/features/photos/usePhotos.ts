import { useEffect, useMemo, useState } from 'react';
import type { PhotoSummary } from '../../../contract/photo';
import { useAppSelector, useWho } from '../../state/hooks';
import { fetchPhoto, fetchPhotos } from '../../sync/api';

export interface Photo extends Pick<PhotoSummary, 'id' | 'shows' | 'of' | 'drawnFrom'> {
  /** Where the picture is, for an image; undefined until it is there. */
  source: string | undefined;
  /** It waits on this device. */
  waits: boolean;
}

/** Pictures that were asked for, by the photo's id: a photo never changes. */
const pictures = new Map<string, Promise<string>>();

function pictureOf(who: string, id: string): Promise<string> {
  const known =
    pictures.get(id) ?? fetchPhoto(who, id).then((picture) => URL.createObjectURL(picture));
  pictures.set(id, known);
  // One that did not come is asked for anew.
  known.catch(() => pictures.delete(id));
  return known;
}

const sourceOf = (jpeg: string): string => `data:image/jpeg;base64,${jpeg}`;

/** The photos of a call: what the server has, and what waits on this device; of one that was drawn on the drawing alone. */
export function usePhotos(callId: string): Photo[] {
  const who = useWho();
  const { items } = useAppSelector((state) => state.outbox);
  const [stored, setStored] = useState<PhotoSummary[]>([]);
  const [sources, setSources] = useState<Record<string, string>>({});
  const waiting = useMemo(
    () =>
      items.flatMap((each) => (each.to === 'photos' && each.body.callId === callId ? [each] : [])),
    [items, callId],
  );
  const count = waiting.length;
  useEffect(() => {
    // What is sent from here need not come back.
    for (const { id, body } of waiting)
      if (!pictures.has(id)) pictures.set(id, Promise.resolve(sourceOf(body.jpeg)));
  }, [waiting]);
  useEffect(() => {
    let wanted = true;
    fetchPhotos(who, callId).then(
      ({ value }) => {
        if (wanted) setStored(value);
      },
      // While the server is away those on this device are shown.
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [who, callId, count]);
  useEffect(() => {
    let wanted = true;
    for (const { id } of stored)
      pictureOf(who, id).then(
        (source) => {
          if (wanted) setSources((before) => ({ ...before, [id]: source }));
        },
        () => undefined,
      );
    return () => {
      wanted = false;
    };
  }, [who, stored]);
  return useMemo(() => {
    const known = new Set(stored.map(({ id }) => id));
    const all: Photo[] = [
      ...stored.map((each) => ({ ...each, source: sources[each.id], waits: false })),
      ...waiting
        .filter(({ id }) => !known.has(id))
        .map(({ id, body: { shows, jpeg, of = null, drawnFrom = null } }) => ({
          id,
          shows,
          of,
          drawnFrom,
          source: sourceOf(jpeg),
          waits: true,
        })),
    ];
    const drawnOn = new Set(all.map(({ drawnFrom }) => drawnFrom));
    return all.filter(({ id }) => !drawnOn.has(id));
  }, [stored, sources, waiting]);
}
