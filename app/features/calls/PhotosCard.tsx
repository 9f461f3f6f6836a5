import { useState } from 'react';
import type { CallDetail } from '../../../contract/call';
import { PLATE } from '../../../core/call/plate';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { PhotoButton } from '../../ui/PhotoButton';
import { Type } from '../../ui/Type';
import { PhotoRow } from '../photos/PhotoRow';
import type { Photo } from '../photos/usePhotos';

const THE_PLATE = 'The plate';
const WIRES = 'Wires, before they came off';

/** Photos of a call, from the camera or a file: the plate, the wires before they come off, what was found. */
export function PhotosCard({ call, photos }: { call: CallDetail; photos: readonly Photo[] }) {
  const [shows, setShows] = useState(THE_PLATE);
  const [words, setWords] = useState('');
  const { found } = call;
  const usual = [THE_PLATE, WIRES, ...(found?.name === undefined ? [] : [found.name])];
  const chosen = words.trim() ? undefined : shows;
  const of =
    chosen === THE_PLATE
      ? PLATE
      : chosen !== undefined && chosen === found?.name
        ? found.part
        : undefined;
  return (
    <Card testID="photos">
      <Type weight="heavy" role="heading" aria-level={2}>
        Photos
      </Type>
      <PhotoRow callId={call.id} photos={photos} />
      <OneOf
        titled
        label="What it shows"
        choices={usual.map((id, i) => ({ id, label: id, testID: `photo-of-${i}` }))}
        chosen={chosen}
        choose={(to) => {
          setShows(to);
          setWords('');
        }}
      />
      <Field
        label="Or in words"
        testID="photo-words"
        value={words}
        onChangeText={setWords}
        maxLength={160}
      />
      <PhotoButton
        callId={call.id}
        shows={words.trim() || shows}
        {...(of !== undefined && { of })}
        taken={() => setWords('')}
      />
      <Type size="small" tone="soft">
        Scaled on this device; where it was taken does not go with it.
      </Type>
    </Card>
  );
}
