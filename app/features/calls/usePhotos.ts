import { useEffect, useMemo, useRef, useState } from 'react';
import type { PhotoSummary } from '../../../contract/photo';
import { useAppSelector } from '../../state/hooks';
import { fetchPhoto, fetchPhotos } from '../../sync/api';

export interface Photo {
  id: string;
  shows: string;
  /** Where the picture is, for an image; undefined until it is there. */
  source: string | undefined;
  /** It waits on this device. */
  waits: boolean;
}

/** The photos of a call: what waits on this device, and what the server has. */
export function usePhotos(callId: string): Photo[] {
  const { shop, items } = useAppSelector((state) => state.outbox);
  const [stored, setStored] = useState<PhotoSummary[]>([]);
  const [sources, setSources] = useState<Record<string, string>>({});
  const waiting = useMemo(
    () =>
      items.flatMap((each) => (each.to === 'photos' && each.body.callId === callId ? [each] : [])),
    [items, callId],
  );
  const count = waiting.length;
  useEffect(() => {
    let wanted = true;
    fetchPhotos(shop, callId).then(
      ({ value }) => {
        if (wanted) setStored(value);
      },
      // While the server is away those on this device are shown.
      () => undefined,
    );
    return () => {
      wanted = false;
    };
  }, [shop, callId, count]);
  // Each is asked for once; one that did not come is asked for with the next list.
  const asked = useRef(new Set<string>());
  useEffect(() => {
    for (const { id } of stored) {
      if (asked.current.has(id)) continue;
      asked.current.add(id);
      fetchPhoto(shop, id).then(
        (picture) => setSources((before) => ({ ...before, [id]: URL.createObjectURL(picture) })),
        () => asked.current.delete(id),
      );
    }
  }, [shop, stored]);
  const known = new Set(stored.map(({ id }) => id));
  return [
    ...stored.map(({ id, shows }) => ({ id, shows, source: sources[id], waits: false })),
    ...waiting
      .filter(({ id }) => !known.has(id))
      .map(({ id, body }) => ({
        id,
        shows: body.shows,
        source: `data:image/jpeg;base64,${body.jpeg}`,
        waits: true,
      })),
  ];
}
