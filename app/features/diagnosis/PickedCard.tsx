import { StyleSheet, View } from 'react-native';
import type { TerminalRef } from '../../../core/diagram/diagram';
import { sayPoint } from '../../../core/describe/point';
import { sayShownOn } from '../../../core/describe/shown';
import { nameOf } from '../../../core/describe/unit';
import { Button } from '../../ui/Button';
import { Type } from '../../ui/Type';
import { space, useTheme } from '../../theme/theme';
import { useShown } from '../../workers/useShown';
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
  const suspects = (work.findings?.suspects ?? [])
    .filter(({ faults }) => faults.length > 0)
    .slice(0, SHOWN);
  const faults = [[], ...suspects.map((each) => each.faults)];
  const shown = useShown(work.key, diagram, picked.at, points, faults);
  if (from === undefined) return null;
  const says = shown?.map((each) => sayShownOn(work.meter, each));
  const [good] = says ?? [];
  const same = says !== undefined && says.length > 1 && says.every((each) => each === good);
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
          {!work.blind && (
            <Type weight="strong" tone="good" testID="picked-good">
              A good unit shows {good ?? '…'}
            </Type>
          )}
          {!work.blind && same && (
            <Type size="small" tone="warn">
              It tells nothing now: all suspects read the same here.
            </Type>
          )}
          {!work.blind &&
            !same &&
            suspects.map(({ id }, i) => (
              <Type key={id} size="small" testID="picked-suspect">
                {nameOf(diagram, id)}: {says?.[i + 1] ?? '…'}
              </Type>
            ))}
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
  row: { flexDirection: 'row', gap: space.s, paddingTop: space.xs },
  grow: { flexGrow: 1 },
});
