import { router } from 'expo-router';
import { useState } from 'react';
import { Image, ScrollView, StyleSheet } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { useAppDispatch } from '../../state/hooks';
import { enqueue } from '../../sync/outbox';
import { Button } from '../../ui/Button';
import { Notice } from '../../ui/Notice';
import { OpenedCall } from '../../ui/OpenedCall';
import { scalePhoto } from '../../ui/scalePhoto';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { DrawOn } from './DrawOn';
import { usePhotos } from './usePhotos';

/** One photo of a call in full size, and drawn on. */
export function PhotoScreen({ callId, photoId }: { callId: string; photoId: string }) {
  return (
    <OpenedCall callId={callId} title="Photo">
      {(call) => <Opened call={call} photoId={photoId} />}
    </OpenedCall>
  );
}

function Opened({ call, photoId }: { call: CallDetail; photoId: string }) {
  const dispatch = useAppDispatch();
  const photo = usePhotos(call.id).find(({ id }) => id === photoId);
  const [drawing, setDrawing] = useState(false);
  const [shape, setShape] = useState(4 / 3);
  const keep = async (picture: Blob): Promise<void> => {
    if (!photo) return;
    const id = crypto.randomUUID();
    const body = {
      callId: call.id,
      shows: photo.shows,
      ...(photo.of !== null && { of: photo.of }),
      drawnFrom: photo.id,
      jpeg: await scalePhoto(picture),
      phoneAt: new Date().toISOString(),
    };
    await dispatch(enqueue({ to: 'photos', id, body }));
    setDrawing(false);
    router.replace(`/call/${call.id}/photo?photo=${id}`);
  };
  return (
    <Screen
      title={photo?.shows ?? 'Photo'}
      under={`${call.appliance.make} ${call.appliance.model} · ${call.complaint}`}
      back={`/call/${call.id}`}
    >
      <ScrollView contentContainerStyle={styles.inner} testID="photo-page">
        {!photo ? (
          <Notice
            icon="slash"
            title="This photo is not here"
            text="It was drawn on since, or it is on another device and the server is away."
            testID="no-photo"
          />
        ) : photo.source === undefined ? (
          <Notice icon="loader" title="Bringing the photo" testID="loading" />
        ) : drawing ? (
          <DrawOn
            source={photo.source}
            keep={(picture) => void keep(picture)}
            cancel={() => setDrawing(false)}
          />
        ) : (
          <>
            <Image
              source={{ uri: photo.source }}
              style={[styles.picture, { aspectRatio: shape }]}
              resizeMode="contain"
              accessibilityLabel={`Photo: ${photo.shows}`}
              testID="photo-large"
              onLoad={({ nativeEvent: { source } }) => {
                if (source?.width && source.height) setShape(source.width / source.height);
              }}
            />
            <Type size="small" tone="soft">
              {photo.drawnFrom === null
                ? 'As it was taken.'
                : 'Drawn on; the photo as it was taken is kept.'}
              {photo.waits ? ' It waits on this device.' : ''}
            </Type>
            <Button
              look="act"
              icon="edit-3"
              label="Draw on it"
              testID="draw"
              onPress={() => setDrawing(true)}
            />
          </>
        )}
      </ScrollView>
    </Screen>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
  picture: { width: '100%' },
});
