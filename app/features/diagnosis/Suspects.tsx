import { StyleSheet, View } from 'react-native';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { radius, space, useTheme } from '../../theme/theme';
import { nameOf, sayFaultOf } from '../../../core/describe/unit';
import type { Work } from './useWork';

/** Who is suspected how much, the likeliest first. */
export function Suspects({ work }: { work: Work }) {
  const palette = useTheme();
  const { diagram } = work.call;
  const suspects = work.findings?.suspects ?? [];
  const counted = Object.values(work.foundBefore ?? {}).reduce((sum, calls) => sum + calls, 0);
  return (
    <Card testID="suspects">
      <Type weight="heavy" role="heading" aria-level={2}>
        Suspects
      </Type>
      {counted > 0 && (
        <Type size="small" tone="soft" testID="counts-found">
          With what your shop found in {counted} finished {counted === 1 ? 'call' : 'calls'} on such
          units.
        </Type>
      )}
      {work.findings?.pairs && (
        <Type size="small" weight="strong" tone="warn" testID="pairs">
          No single fault explains all this. Two together do better.
        </Type>
      )}
      {suspects.map((suspect) => {
        const share = Math.round(100 * suspect.probability);
        return (
          <View key={suspect.id ?? 'none'} testID={`suspect-${suspect.id ?? 'none'}`}>
            <View style={styles.line}>
              <Type weight="strong" style={styles.grow}>
                {nameOf(diagram, suspect.id)}
              </Type>
              <Type weight="mono">{share < 1 ? '<1' : share} %</Type>
            </View>
            <Type size="small" tone="soft">
              {sayFaultOf(diagram, suspect.faults)}
            </Type>
            <View style={[styles.track, { backgroundColor: palette.sunk }]} aria-hidden>
              <View
                style={[
                  styles.bar,
                  { backgroundColor: palette.ink, width: `${Math.max(1, share)}%` },
                ]}
              />
            </View>
          </View>
        );
      })}
    </Card>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', alignItems: 'baseline', gap: space.s },
  grow: { flex: 1 },
  track: { height: 8, borderRadius: radius.small, marginTop: space.xs, overflow: 'hidden' },
  bar: { height: 8, borderRadius: radius.small },
});
