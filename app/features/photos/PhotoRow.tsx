import { Link } from 'expo-router';
import { Image, Pressable, StyleSheet, View } from 'react-native';
import { Type } from '../../ui/Type';
import { radius, space, useTheme } from '../../theme/theme';
import { usePhotos, type Photo } from './usePhotos';

/** Photos beside each other, each a way to itself in full size; nothing where there are none. */
export function PhotoRow({ callId, photos }: { callId: string; photos: readonly Photo[] }) {
  const palette = useTheme();
  if (photos.length === 0) return null;
  return (
    <View style={styles.row}>
      {photos.map(({ id, shows, source, waits }) => (
        <Link key={id} href={`/call/${callId}/photo?photo=${id}`} asChild>
          <Pressable
            style={styles.photo}
            accessibilityLabel={`Photo: ${shows}`}
            testID={`photo-${id}`}
          >
            {source === undefined ? (
              <View style={[styles.picture, { backgroundColor: palette.sunk }]} />
            ) : (
              <Image source={{ uri: source }} style={styles.picture} accessibilityLabel={shows} />
            )}
            <Type size="small" numberOfLines={2}>
              {shows}
              {waits ? ', waits on this device' : ''}
            </Type>
          </Pressable>
        </Link>
      ))}
    </View>
  );
}

/** Photos of one thing of a call, by its name: a part with its terminals, or the plate. */
export function PhotosOf({ callId, of }: { callId: string; of: string }) {
  return <PhotoRow callId={callId} photos={photosOf(usePhotos(callId), of)} />;
}

/** Those of a thing and of what is at it: a terminal is at its part. */
export const photosOf = (photos: readonly Photo[], of: string): Photo[] =>
  photos.filter((each) => each.of === of || each.of?.startsWith(`${of}.`));

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  photo: { width: 140, gap: space.xs },
  picture: { width: 140, height: 105, borderRadius: radius.small },
});
