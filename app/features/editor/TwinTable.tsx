import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { sayPosition } from '../../../core/describe/position';
import { sayTwinFinding } from '../../../core/describe/twin';
import {
  nextCell,
  twinFindings,
  withTwinTable,
  type TwinReading,
  type TwinShows,
} from '../../../core/draft/twinTable';
import type { Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { Answers } from './Answers';

interface Props {
  diagram: Diagram;
  part: SwitchPart;
  change: (to: Diagram) => void;
  done: () => void;
}

const ANSWERS: Record<TwinShows, string> = {
  closed: 'Near zero',
  open: 'OL',
  neither: 'Something else',
};

/** A good one of the same kind is read position by position, its wires off, and makes the table; or shows that it is not good. */
export function TwinTable({ diagram, part, change, done }: Props) {
  const [readings, setReadings] = useState<TwinReading[]>([]);
  const next = nextCell(diagram, part, readings);
  const findings = twinFindings(diagram, part, readings);
  const bad = findings.some(({ kind }) => kind !== 'never-changes');
  const pair = part.contacts.find(({ id }) => id === next?.contact)?.between.join(' and ');
  return (
    <Card testID="twin">
      <Type weight="heavy" role="heading" aria-level={3}>
        From a good one of the same kind
      </Type>
      <Type size="small" tone="soft">
        On the bench or with its wires off, in ohms, the leads’ own taken off.
      </Type>
      {next && !bad && (
        <>
          <Type weight="strong" testID="twin-next" aria-live="polite">
            {`${sayPosition(diagram, part.actuator, next.position)}: between ${pair}`}
          </Type>
          <Answers
            of="twin"
            labels={ANSWERS}
            enter={(shows) => setReadings([...readings, { ...next, shows }])}
          />
        </>
      )}
      {findings.map((finding, i) => (
        <Type
          key={`${i} ${finding.kind}`}
          weight="strong"
          tone="bad"
          role="alert"
          testID="twin-finding"
        >
          {sayTwinFinding(diagram, part, finding)}
        </Type>
      ))}
      <View style={styles.row}>
        {!next && !bad && (
          <Button
            look="act"
            icon="check"
            label="Take its table, as proved"
            testID="twin-take"
            onPress={() => {
              change(withTwinTable(diagram, part.id, readings));
              done();
            }}
          />
        )}
        {readings.length > 0 && (
          <Button
            icon="corner-up-left"
            label="Last one again"
            testID="twin-again"
            onPress={() => setReadings(readings.slice(0, -1))}
          />
        )}
        <Button icon="x" label="Close" testID="twin-close" onPress={done} />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
