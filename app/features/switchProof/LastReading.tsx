import { StyleSheet, View } from 'react-native';
import type { Judgement } from '../../../core/inference/judge';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space, useTheme } from '../../theme/theme';
import { sayJudgement } from '../../../core/describe/judgement';
import type { LoggedReading } from '../../../core/call/log';
import { sayReadingPlace } from '../../../core/describe/readingPlace';
import type { SwitchProof } from './useSwitchProof';
import { Icon } from '../../ui/Icon';

export const TONE = (judgement: Judgement | undefined) =>
  judgement?.agrees === true ? 'good' : judgement?.agrees === false ? 'bad' : 'warn';
export const ICON = { good: 'check-circle', bad: 'x-circle', warn: 'help-circle' } as const;

/** What the reading just taken means, with undo in reach. */
export function LastReading({ proof, last }: { proof: SwitchProof; last: LoggedReading }) {
  const palette = useTheme();
  const judgement = proof.state.judgements.get(last.id);
  if (!judgement) return null;
  const tone = TONE(judgement);
  const { loss } = judgement;
  return (
    <Card
      ground={`${tone}Ground`}
      edge={tone}
      style={styles.card}
      testID="last-reading"
      aria-live="polite"
    >
      <Icon name={ICON[tone]} size={26} color={palette[tone]} />
      <View style={styles.grow}>
        <Type size="small" tone="soft" numberOfLines={1}>
          {sayReadingPlace(proof, last)}: {last.said}
        </Type>
        <Type weight="strong" testID="meaning">
          {sayJudgement(judgement, last)}
        </Type>
        {loss && (
          <Type size="small">
            In use it would lose {loss.volts.toFixed(1)} V and make {Math.round(loss.watts)} W of
            heat.
          </Type>
        )}
      </View>
      <Button
        look="bare"
        icon="rotate-ccw"
        label="Undo"
        shortcut="U"
        testID="undo"
        hint="Take the last reading back"
        onPress={() => proof.takeBack(last.id, 'undone')}
        style={styles.undo}
      />
    </Card>
  );
}

const styles = StyleSheet.create({
  card: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    padding: space.s,
    paddingLeft: space.m,
  },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 140 },
  undo: { paddingHorizontal: space.s },
});
