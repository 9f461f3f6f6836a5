import { useState } from 'react';
import { useAppDispatch } from '../state/hooks';
import { enqueue } from '../sync/outbox';
import { FileButton } from './FileButton';
import { scalePhoto } from './scalePhoto';
import { Type } from './Type';

interface Props {
  callId: string;
  /** What it will show, in words. */
  shows: string;
  /** What of the unit it shows, so that it stands beside that: a part, a terminal, the plate. */
  of?: string;
  label?: string;
  /** Hears that one was put into the queue. */
  taken?: () => void;
}

/** Takes a photo by the camera or from a file: scaled here, without where it was taken, kept like any write. */
export function PhotoButton({ callId, shows, of, label = 'Take or choose a photo', taken }: Props) {
  const dispatch = useAppDispatch();
  const [became, setBecame] = useState<'kept' | 'failed'>();
  const chosen = async (file: File): Promise<void> => {
    const jpeg = await scalePhoto(file).catch(() => undefined);
    setBecame(jpeg === undefined ? 'failed' : 'kept');
    if (jpeg === undefined) return;
    const phoneAt = new Date().toISOString();
    const body = { callId, shows, ...(of !== undefined && { of }), jpeg, phoneAt };
    await dispatch(enqueue({ to: 'photos', id: crypto.randomUUID(), body }));
    taken?.();
  };
  return (
    <>
      <FileButton
        icon="camera"
        label={label}
        testID="take-photo"
        field={{
          testID: 'photo-file',
          name: 'Photo from the camera or a file',
          accept: 'image/*',
          capture: 'environment',
        }}
        chosen={(file) => void chosen(file)}
      />
      {became === 'kept' && (
        <Type weight="strong" tone="good" aria-live="polite" testID="photo-kept">
          Kept: {shows}.
        </Type>
      )}
      {became === 'failed' && (
        <Type weight="strong" tone="bad" role="alert" testID="photo-failed">
          This is no picture that the browser can read: take a photo, or choose a JPEG or PNG.
        </Type>
      )}
    </>
  );
}
