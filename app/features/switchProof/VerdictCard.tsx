import { router } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { sayFaultOf } from '../../../core/describe/unit';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space, useTheme, type Palette } from '../../theme/theme';
import { sayVerdict, type VerdictInWords } from '../../../core/describe/switchVerdict';
import type { SwitchProof } from './useSwitchProof';
import { Icon } from '../../ui/Icon';

const GROUND: Record<VerdictInWords['tone'], keyof Palette> = {
  good: 'goodGround',
  bad: 'badGround',
  warn: 'warnGround',
  ink: 'card',
};
const ICON = {
  good: 'check-circle',
  bad: 'x-octagon',
  warn: 'alert-circle',
  ink: 'circle',
} as const;
/** More lines than these are counted, not listed. */
const MOST_LINES = 6;

/** Where the evidence stands, and what follows from it. */
export function VerdictCard({ proof }: { proof: SwitchProof }) {
  const palette = useTheme();
  const { tone, headline, follows, lines } = sayVerdict(proof);
  const { verdict } = proof.state;
  return (
    <Card
      ground={GROUND[tone]}
      edge={tone === 'ink' ? 'line' : tone}
      testID={`verdict-${proof.state.verdict.kind}`}
      aria-live="polite"
    >
      <View style={styles.head}>
        <Icon name={ICON[tone]} size={26} color={palette[tone]} />
        <Type size="title" weight="heavy" tone={tone} style={styles.grow} testID="verdict">
          {headline}
        </Type>
      </View>
      <Type>{follows}</Type>
      {lines.slice(0, MOST_LINES).map((line) => (
        <Type key={line} size="small">
          · {line}
        </Type>
      ))}
      {lines.length > MOST_LINES && (
        <Type size="small" tone="soft">
          and {lines.length - MOST_LINES} more
        </Type>
      )}
      {proof.bench && verdict.kind === 'fault' && (
        <Type weight="strong" tone="bad" testID="not-fitted">
          Not to be fitted: take another one, or a new part.
        </Type>
      )}
      {!proof.bench && verdict.kind === 'fault' && (
        <Button
          look="act"
          icon="arrow-right"
          label="Decide what is done"
          testID="decide-switch"
          onPress={() => {
            const [fault] = verdict.faults;
            proof.found({
              part: proof.part.id,
              name: proof.part.name,
              mode: fault.mode,
              says: sayFaultOf(proof.diagram, verdict.faults),
              chance: verdict.probability,
              by: 'switch',
            });
            router.navigate(`/call/${proof.call.id}/decide`);
          }}
        />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  head: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  grow: { flex: 1 },
});
