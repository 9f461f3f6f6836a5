import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space, useTheme } from '../../theme/theme';
import { nameOf, sayEvidence } from './say';
import type { Work } from './useWork';

/** Everything that is known of the unit, the last first, with what each entry has changed. */
export function Log({ work }: { work: Work }) {
  const palette = useTheme();
  const { diagram } = work.call;
  const findings = work.thinking ? undefined : work.findings;
  const contradicted = new Set(
    findings?.contradictions.flatMap(({ one, two }) => [one, two]) ?? [],
  );
  const odd = new Set(findings?.oddTwins);
  return (
    <Card testID="evidence">
      <Type weight="heavy" role="heading" aria-level={2}>
        What is known
      </Type>
      {contradicted.size > 0 && (
        <Type weight="strong" tone="warn" testID="contradiction" role="alert">
          Entries marked with ! contradict each other: no fault makes both. Look at one again.
        </Type>
      )}
      {odd.size > 0 && (
        <Type weight="strong" tone="warn" testID="odd-twin" role="alert">
          A good twin marked with ! shows what the diagram does not foretell: what this unit shows
          there is left out.
        </Type>
      )}
      {work.evidence.toReversed().map((entry) => {
        const { what, shown } = sayEvidence(diagram, entry);
        const moved = findings?.moved[entry.id] ?? [];
        return (
          <View key={entry.id} style={[styles.row, { borderColor: palette.line }]}>
            <View style={styles.grow}>
              <Type weight="strong">
                {contradicted.has(entry.id) || odd.has(entry.id) ? '! ' : ''}
                {shown}
              </Type>
              <Type size="small" tone="soft">
                {what}
              </Type>
              {moved.length > 0 && (
                <Type size="small" testID="moved">
                  {moved
                    .map(({ id, factor }) => `${sayFactor(factor)} ${nameOf(diagram, id)}`)
                    .join(' · ')}
                </Type>
              )}
            </View>
            <Button
              look="bare"
              label="Take back"
              hint={`Take back ${shown}, ${what}`}
              testID="take-back"
              onPress={() => work.takeBack(entry.id)}
              style={styles.small}
            />
          </View>
        );
      })}
    </Card>
  );
}

/** "3 × up" or "down to a fifth": how much an entry has moved a suspect. */
function sayFactor(factor: number): string {
  const times = factor > 1 ? factor : 1 / factor;
  const said = times >= 10 ? Math.round(times) : times.toFixed(1);
  return factor > 1 ? `up ${said} ×` : `down ${said} ×`;
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', borderTopWidth: 1, paddingVertical: space.xs },
  grow: { flex: 1 },
  small: { paddingHorizontal: space.s },
});
