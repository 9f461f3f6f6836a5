import { StyleSheet, View } from 'react-native';
import { sayTest } from '../../../core/describe/test';
import { POLICIES } from '../../../core/plan/policies';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space, useTheme } from '../../theme/theme';
import type { ShownTest } from '../../workers/diagnosis';
import { nameOf, sayShown } from '../../../core/describe/unit';
import { capital } from '../../../core/describe/use';
import type { Work } from './useWork';

/** Why this test: its price, what each outcome would mean, and what may be taken instead. */
export function WhyTest({
  work,
  tests,
  at,
  choose,
}: {
  work: Work;
  tests: readonly ShownTest[];
  at: number;
  choose: (at: number) => void;
}) {
  const palette = useTheme();
  const { diagram } = work.call;
  const test = tests[at];
  if (!test) return null;
  return (
    <Card testID="why-test">
      <Type weight="heavy" role="heading" aria-level={2}>
        Why this test
      </Type>
      <Type size="small">
        {POLICIES[work.way.school].why} It takes {test.minutes.toFixed(1)} min; with it first the
        verdict is expected after {test.expected.toFixed(0)} min in all.
      </Type>
      {test.meanings.map((each, i) => (
        <View key={i} style={[styles.row, { borderColor: palette.line }]} testID={`meaning-${i}`}>
          <Type weight="mono" style={styles.share}>
            {Math.round(100 * each.share)} %
          </Type>
          <View style={styles.grow}>
            <Type weight="strong">{sayShown(diagram, test.test, each.shown)}</Type>
            <Type size="small" tone="soft">
              {each.named ? 'Names it: ' : 'Then: '}
              {each.suspects
                .filter(({ probability }) => probability > 0.02)
                .map(
                  ({ id, probability }) =>
                    `${nameOf(diagram, id)} ${Math.round(100 * probability)} %`,
                )
                .join(', ')}
            </Type>
          </View>
        </View>
      ))}
      {tests.length > 1 && <Type weight="heavy">Take another</Type>}
      {tests.map((each, i) =>
        i === at ? null : (
          <Button
            key={i}
            label={`${capital(sayTest(diagram, each.test))} · ${each.minutes.toFixed(1)} min, verdict after ${each.expected.toFixed(0)}`}
            testID={`take-${i}`}
            onPress={() => choose(i)}
          />
        ),
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', gap: space.s, borderTopWidth: 1, paddingVertical: space.xs },
  share: { minWidth: 56 },
  grow: { flex: 1 },
});
