import { useSyncExternalStore } from 'react';
import { StyleSheet, View } from 'react-native';
import { hasNewVersion, hearNewVersion, takeNewVersion } from '../sync/newVersion';
import { space, useTheme } from '../theme/theme';
import { Button } from './Button';
import { Type } from './Type';

/** Offers a newer version of the app; nobody is made to take it in the middle of a call. */
export function NewVersionStrip() {
  const palette = useTheme();
  const there = useSyncExternalStore(hearNewVersion, hasNewVersion);
  if (!there) return null;
  return (
    <View style={[styles.strip, { backgroundColor: palette.goodGround }]} testID="new-version">
      <Type size="small" tone="good" style={styles.says}>
        A newer Yarrix is on this device. What you entered stays.
      </Type>
      <Button
        look="bare"
        icon="refresh-cw"
        label="Take it"
        testID="take-version"
        onPress={takeNewVersion}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  strip: { flexDirection: 'row', alignItems: 'center', gap: space.s, paddingLeft: space.l },
  says: { flex: 1 },
});
