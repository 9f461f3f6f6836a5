import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { useTheme } from '../../theme/theme';
import { CallsList } from './CallsList';

/** Wide: the list of calls left, what is opened right. */
export function BesideList({ opened, children }: { opened?: string; children: ReactNode }) {
  const palette = useTheme();
  return (
    <View style={styles.panes}>
      <View style={[styles.list, { borderColor: palette.line }]} role="region" aria-label="Calls">
        <CallsList {...(opened !== undefined && { opened })} />
      </View>
      <View style={styles.opened}>{children}</View>
    </View>
  );
}

const styles = StyleSheet.create({
  panes: { flex: 1, flexDirection: 'row' },
  list: { width: 420, borderRightWidth: 1 },
  opened: { flex: 1 },
});
