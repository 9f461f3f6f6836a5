import { StyleSheet, View } from 'react-native';
import type { NextReading } from '../../../core/plan/nextReading';
import { Card } from '../../ui/Card';
import { ContactGlyph } from '../../ui/ContactGlyph';
import { Type } from '../../ui/Type';
import { ProbePair } from '../../ui/ProbePair';
import { radius, space, useTheme } from '../../theme/theme';
import { sayNext } from '../../../core/describe/nextReading';
import type { SwitchProof } from './useSwitchProof';
import { Icon } from '../../ui/Icon';

/** Where the probes go next, in which state, and what a good unit reads there. */
export function NextCard({ proof, next }: { proof: SwitchProof; next: NextReading }) {
  const palette = useTheme();
  const words = sayNext(proof, next);
  const { from, to, setup, wiggle } = next.place;
  // On the bench a finger stands in for the door: it must not read like an order to close it.
  const position = proof.bench
    ? `As with ${words.position.replace(/^As with /, '').replace(/^./, (first) => first.toLowerCase())}`
    : words.position;
  const how = words.how ?? (proof.bench ? proof.part.byHand : undefined);
  const dial = proof.meter.autoRanging ? 'Ω' : `Ω, ${words.range.name}`;
  return (
    <Card style={styles.card} testID="next-reading">
      <View style={styles.line}>
        <Type size="small" tone="soft" style={styles.grow}>
          {words.why}
        </Type>
        <Type size="small" weight="strong">
          Dial: {dial}
        </Type>
      </View>
      <Type size="giant" weight="heavy" testID="next-position">
        {position}
      </Type>
      {how && (
        <View style={[styles.hand, { backgroundColor: palette.warnGround }]} testID="next-by-hand">
          <Type size="small" weight="strong" tone="warn">
            By hand, not by the actuator
          </Type>
          <Type size="small">{how}</Type>
        </View>
      )}
      <ProbePair
        diagram={proof.call.diagram}
        from={from}
        to={to}
        lifted={proof.bench ? [] : setup.lifted}
      />
      {wiggle && (
        <View style={styles.line} testID="next-wiggle">
          <Icon name="activity" size={20} color={palette.warn} />
          <Type weight="strong" tone="warn" style={styles.grow}>
            Wiggle the lever and the wires while you read
          </Type>
        </View>
      )}
      <View style={[styles.good, { backgroundColor: palette.goodGround }]} testID="next-good">
        <ContactGlyph state={words.state} size={52} tone="good" />
        <View style={styles.grow}>
          <Type weight="heavy" tone="good">
            Good reads {words.state === 'either' ? 'either' : words.state.toUpperCase()}
          </Type>
          <Type size="small">{words.good}</Type>
        </View>
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  card: { gap: space.s, padding: space.m },
  line: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  grow: { flex: 1 },
  hand: { borderRadius: radius.small, padding: space.s },
  good: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    borderRadius: radius.medium,
    padding: space.s,
  },
});
