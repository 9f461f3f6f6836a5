import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { sayShownOn } from '../../../core/describe/shown';
import { nameOf, sayEvidence } from '../../../core/describe/unit';
import type { Work } from './useWork';

/** What the last entry showed and changed, in a plain sentence, with undo in reach. */
export function LastEntry({ work }: { work: Work }) {
  const last = work.evidence.at(-1);
  if (!last) return null;
  const { diagram } = work.call;
  const { what, shown } = sayEvidence(diagram, last);
  const good = work.thinking ? undefined : work.findings?.lastGood;
  const moved = work.thinking ? [] : (work.findings?.moved[last.id] ?? []);
  const [more, less] = [
    moved.filter((each) => each.factor > 1),
    moved.filter((each) => each.factor < 1),
  ];
  const names = (list: typeof moved): string =>
    list.map(({ id }) => nameOf(diagram, id).toLowerCase()).join(', ');
  return (
    <Card testID="last-entry">
      <View style={styles.row}>
        <View style={styles.grow}>
          <Type weight="strong">
            {shown}{' '}
            <Type size="small" tone="soft">
              · {what}
            </Type>
          </Type>
          {good && (
            <Type size="small" testID="last-good">
              A good unit shows {sayShownOn(work.meter, good)}.
            </Type>
          )}
          <Type size="small" testID="meaning">
            {last.kind === 'reading' && last.of === 'twin'
              ? sayTwin(work)
              : moved.length === 0
                ? 'It changes little between the suspects.'
                : [
                    more.length ? `Now likelier: ${names(more)}.` : '',
                    less.length ? `Less likely: ${names(less)}.` : '',
                  ].join(' ')}
          </Type>
        </View>
        <Button
          look="bare"
          icon="rotate-ccw"
          label="Undo"
          testID="undo"
          shortcut="U"
          onPress={() => work.takeBack(last.id)}
        />
      </View>
    </Card>
  );
}

/** What the reading of a good twin has proved. */
function sayTwin({ findings, evidence }: Work): string {
  const odd = findings?.oddTwins.includes(evidence.at(-1)?.id ?? '');
  return odd
    ? 'The good twin shows something else than expected: leads, setup or diagram are wrong there. This unit’s reading there counts for nothing until that is settled.'
    : 'The good twin shows what is expected: leads, setup and expectation are proved there.';
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  grow: { flex: 1 },
});
