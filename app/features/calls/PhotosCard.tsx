import { useState } from 'react';
import { Image, StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { PhotoButton } from '../../ui/PhotoButton';
import { Type } from '../../ui/Type';
import { radius, space, useTheme } from '../../theme/theme';
import { usePhotos } from './usePhotos';

const PLATE = 'The plate';
const WIRES = 'Wires, before they came off';

/** Photos of a call, from the camera or a file: the plate, the wires before they come off, what was found. */
export function PhotosCard({ call }: { call: CallDetail }) {
  const palette = useTheme();
  const photos = usePhotos(call.id);
  const [shows, setShows] = useState(PLATE);
  const [words, setWords] = useState('');
  const usual = [PLATE, WIRES, ...(call.found?.name === undefined ? [] : [call.found.name])];
  return (
    <Card testID="photos">
      <Type weight="heavy" role="heading" aria-level={2}>
        Photos
      </Type>
      {photos.length > 0 && (
        <View style={styles.row}>
          {photos.map(({ id, shows: what, source, waits }) => (
            <View key={id} style={styles.photo} testID={`photo-${id}`}>
              {source === undefined ? (
                <View style={[styles.picture, { backgroundColor: palette.sunk }]} />
              ) : (
                <Image
                  source={{ uri: source }}
                  style={styles.picture}
                  accessibilityLabel={`Photo: ${what}`}
                />
              )}
              <Type size="small">
                {what}
                {waits ? ', waits on this device' : ''}
              </Type>
            </View>
          ))}
        </View>
      )}
      <OneOf
        titled
        label="What it shows"
        choices={usual.map((id, i) => ({ id, label: id, testID: `photo-of-${i}` }))}
        chosen={words.trim() ? undefined : shows}
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
      <PhotoButton callId={call.id} shows={words.trim() || shows} taken={() => setWords('')} />
      <Type size="small" tone="soft">
        Scaled on this device; where it was taken does not go with it.
      </Type>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  photo: { width: 140, gap: space.xs },
  picture: { width: 140, height: 105, borderRadius: radius.small },
});
