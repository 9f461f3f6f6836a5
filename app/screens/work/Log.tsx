import { StyleSheet, View } from 'react-native';
import { Button } from '../../components/Button';
import { Card } from '../../components/Card';
import { Type } from '../../components/Type';
import { space, useTheme } from '../../theme/theme';
import { nameOf, sayEvidence } from './say';
import type { Work } from './useWork';

/** Everything that is known of the unit, the last first, with what the last entry has changed. */
export function Log({ work }: { work: Work }) {
  const palette = useTheme();
  const { diagram } = work.call;
  const moved = work.thinking ? [] : (work.answer?.moved ?? []);
  return (
    <Card testID="evidence">
      <Type weight="heavy" role="heading" aria-level={2}>
        What is known
      </Type>
      {work.evidence.toReversed().map((entry, i) => {
        const { what, shown } = sayEvidence(diagram, entry);
        return (
          <View key={entry.id} style={[styles.row, { borderColor: palette.line }]}>
            <View style={styles.grow}>
              <Type weight="strong">{shown}</Type>
              <Type size="small" tone="soft">
                {what}
              </Type>
              {i === 0 && moved.length > 0 && (
                <Type size="small" testID="moved">
                  {moved
                    .map(
                      ({ id, factor }) => `${factor > 1 ? 'up' : 'down'}: ${nameOf(diagram, id)}`,
                    )
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

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', borderTopWidth: 1, paddingVertical: space.xs },
  grow: { flex: 1 },
  small: { paddingHorizontal: space.s },
});
