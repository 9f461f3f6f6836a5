import { StyleSheet, View } from 'react-native';
import { nameOf } from '../../../core/describe/unit';
import type { LookNow } from '../../../core/plan/looksNow';
import { Button } from '../../ui/Button';
import { Type } from '../../ui/Type';
import { space, useTheme } from '../../theme/theme';
import type { Work } from './useWork';

/** Suspects that are named beside a look. */
const NAMED = 2;
/** A suspect that is less likely is not worth its line. */
const LIKELY = 0.01;

/** One look: what it speaks of, and found or not; pressed again the answer is taken back. */
export function LookLine({ work, now: { look, found, of } }: { work: Work; now: LookNow }) {
  const palette = useTheme();
  const { diagram } = work.call;
  const likely = of.filter(({ probability }) => probability >= LIKELY).slice(0, NAMED);
  const answer = (said: boolean): void => {
    const before = work.evidence.findLast((each) => each.kind === 'look' && each.look === look.id);
    if (before && found !== undefined) work.takeBack(before.id);
    if (found !== said) work.look(look.id, said);
  };
  return (
    <View style={[styles.line, { borderColor: palette.line }]} testID={`look-${look.id}`}>
      <Type>{look.says}</Type>
      <Type size="small" tone="soft">
        {likely.length
          ? `Speaks of: ${likely
              .map(
                ({ id, probability }) =>
                  `${nameOf(diagram, id)} ${Math.round(100 * probability)}\u00a0%`,
              )
              .join(', ')}`
          : 'Speaks of nothing that is suspected now'}
        {look.powered ? ' · powered for it, covers on, hands clear' : ''}
      </Type>
      <View style={styles.row}>
        <Button
          label="Found"
          hint={`Found: ${look.says}`}
          testID={`look-${look.id}-found`}
          selected={found === true}
          onPress={() => answer(true)}
          style={styles.grow}
        />
        <Button
          label="Not there"
          hint={`Not there: ${look.says}`}
          testID={`look-${look.id}-nothing`}
          selected={found === false}
          onPress={() => answer(false)}
          style={styles.grow}
        />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
  line: { gap: space.xs, borderTopWidth: 1, paddingTop: space.s },
});
