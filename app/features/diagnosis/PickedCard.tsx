import { StyleSheet, View } from 'react-native';
import type { TerminalRef } from '../../../core/diagram/diagram';
import { sayPoint } from '../../../core/describe/point';
import { Button } from '../../ui/Button';
import { Type } from '../../ui/Type';
import { space, useTheme } from '../../theme/theme';
import { ShownThere } from './ShownThere';
import type { Picked } from './usePicked';
import type { Work } from './useWork';

/** Suspects whose reading is told beside the good one. */
const SHOWN = 3;

/** What the tapped points would show as everything stands, and the way to read them. */
export function PickedCard({
  work,
  picked,
  read,
}: {
  work: Work;
  picked: Picked;
  read: (points: readonly TerminalRef[]) => void;
}) {
  const palette = useTheme();
  const { diagram } = work.call;
  const { points } = picked;
  const [from, to] = points;
  if (from === undefined) return null;
  return (
    <View
      style={[styles.card, { backgroundColor: palette.card, borderColor: palette.line }]}
      testID="picked"
      aria-live="polite"
    >
      {to === undefined ? (
        <Type weight="strong" testID="picked-one">
          Red at {sayPoint(diagram, from)}. Tap where black goes.
        </Type>
      ) : (
        <>
          <Type weight="strong">
            Red {sayPoint(diagram, from)}, black {sayPoint(diagram, to)}
          </Type>
          <ShownThere work={work} points={points} at={picked.at} most={SHOWN} testID="picked" />
        </>
      )}
      <View style={styles.row}>
        {to !== undefined && (
          <Button
            look="act"
            icon="edit-3"
            label="Read this"
            testID="picked-read"
            onPress={() => read(points)}
            style={styles.grow}
          />
        )}
        <Button icon="x" label="Let go" testID="picked-forget" onPress={picked.forget} />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  card: { borderTopWidth: 2, padding: space.m, gap: space.xs },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, paddingTop: space.xs },
  grow: { flexGrow: 1 },
});
