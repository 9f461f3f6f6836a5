import { StyleSheet, View } from 'react-native';
import type { TerminalRef } from '../../../core/diagram/diagram';
import type { Outcome } from '../../../core/behaviour/statement';
import { PLUGGED_IN } from '../../../core/behaviour/useRuns';
import { sayVolts } from '../../../core/describe/display';
import { sayPoints } from '../../../core/describe/point';
import { supplyChecks, type Band, type SupplyCheck } from '../../../core/describe/supplyCheck';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { LookLine } from './LookLine';
import type { Work } from './useWork';

interface Props {
  work: Work;
  /** Two points of a supply are read live. */
  read: (points: readonly TerminalRef[]) => void;
  done: () => void;
}

/** The doings of a fuse or breaker that are told of it, with what is said of each. */
type Told = [Outcome, label: string][];
const OF_FUSE: Told = [
  ['open', 'It is blown'],
  ['whole', 'It is whole'],
];
const OF_BREAKER: Told = [
  ['open', 'The breaker had tripped'],
  ['whole', 'The breaker is on'],
];

/** What feeds the unit, before it is taken apart: breakers and fuses, and the volts that are right, by both schools. */
export function SupplyCard({ work, read, done }: Props) {
  const { diagram } = work.call;
  const fuses = diagram.parts.filter(
    (part) => part.kind === 'protector' && part.protector === 'fuse',
  );
  return (
    <Card testID="supply">
      <Type weight="heavy" role="heading" aria-level={2}>
        What feeds it
      </Type>
      {supplyChecks(diagram).map((check) => (
        <Check key={check.supply.id} work={work} check={check} read={read} />
      ))}
      {fuses.map((part) => (
        <View key={part.id} style={styles.one}>
          <Type weight="strong">{part.name}</Type>
          <Type>
            {part.kind === 'protector' ? part.rating : ''}: the rating on it has to be the one on
            the plate, never more.
          </Type>
          <View style={styles.row}>
            <Button
              label="Another rating is in"
              testID={`supply-wrong-${part.id}`}
              onPress={() => work.notice(part.id, 'wrong-part')}
            />
            <Tell work={work} subject={part.id} told={OF_FUSE} />
          </View>
        </View>
      ))}
      {(work.findings?.looks ?? [])
        .filter(({ look }) => look.feeds)
        .map((now) => (
          <LookLine key={now.look.id} work={work} now={now} />
        ))}
      <Button icon="x" label="Done, or not now" testID="supply-done" onPress={done} />
    </Card>
  );
}

/** What it does is told by one press; what was told last stands out. */
function Tell({ work, subject, told }: { work: Work; subject: string; told: Told }) {
  const last = work.evidence.findLast(
    (each) => each.kind === 'statement' && each.subject === subject && each.steps === PLUGGED_IN,
  );
  return told.map(([outcome, label]) => (
    <Button
      key={outcome}
      label={label}
      testID={`supply-${outcome}-${subject}`}
      selected={last?.kind === 'statement' && last.outcome === outcome}
      onPress={() => work.tell('seen', PLUGGED_IN, subject, outcome)}
    />
  ));
}

function Check({ work, check, read }: { work: Work; check: SupplyCheck } & Pick<Props, 'read'>) {
  const { diagram } = work.call;
  const { supply, pairs, says } = check;
  return (
    <View style={styles.one} testID={`supply-${supply.id}`}>
      <Type weight="strong">{supply.name}</Type>
      {says.map((each) => (
        <Type key={each} size="small">
          · {each}.
        </Type>
      ))}
      {supply.amps !== undefined && (
        <View style={styles.row}>
          <Tell work={work} subject={supply.id} told={OF_BREAKER} />
        </View>
      )}
      {pairs.map(({ from, to, usual, standard }) => (
        <View key={`${from} ${to}`} style={styles.row}>
          <View style={styles.grow}>
            <Type weight="strong">{sayPoints(diagram, from, to)}</Type>
            <Type size="small" tone="good">
              {sayBand(usual)} is usual{standard ? `; ${sayBand(standard)} by the standard` : ''}
            </Type>
          </View>
          <Button
            icon="zap"
            label="Read live"
            testID={`supply-read-${from}-${to}`}
            onPress={() => read([from, to])}
          />
        </View>
      ))}
    </View>
  );
}

const sayBand = ({ low, high }: Band): string => `${sayVolts(low)} to ${sayVolts(high)}`;

const styles = StyleSheet.create({
  one: { gap: space.s, paddingVertical: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
  grow: { flexGrow: 1, flexShrink: 1 },
});
