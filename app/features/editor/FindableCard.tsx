import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { sayFaultOf, nameOf } from '../../../core/describe/unit';
import type { Findable } from '../../../core/simulate/findable';
import type { Diagram } from '../../../core/diagram/diagram';
import { askWorker, Stopped, stopDiagnosis } from '../../workers/diagnosis';
import { withUses } from '../../workers/draft';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { keyOf } from './DrawnDraft';

type Asked =
  | { of: Diagram; state: 'working'; share: number }
  | { of: Diagram; state: 'failed' }
  | { of: Diagram; state: 'done'; findable: Findable };

/** How well a fault could be found by this diagram: a made-up technician works a call on each. */
export function FindableCard({ diagram }: { diagram: Diagram }) {
  const [asked, setAsked] = useState<Asked>();
  const ask = async (): Promise<void> => {
    setAsked({ of: diagram, state: 'working', share: 0 });
    try {
      const unit = await withUses(diagram);
      const question = { ask: 'findable', key: keyOf(unit), diagram: unit } as const;
      const answer = await askWorker(question, (said) => {
        if (said.kind === 'progress')
          setAsked({ of: diagram, state: 'working', share: said.share });
      });
      if (answer.kind === 'findable')
        setAsked({ of: diagram, state: 'done', findable: answer.findable });
    } catch (error) {
      setAsked(error instanceof Stopped ? undefined : { of: diagram, state: 'failed' });
    }
  };
  const now = asked?.of === diagram ? asked : undefined;
  return (
    <Card testID="findable">
      <Type weight="heavy" role="heading" aria-level={2}>
        How well could a fault be found here?
      </Type>
      {now?.state === 'done' && <Found diagram={diagram} findable={now.findable} />}
      {now?.state === 'failed' && (
        <Type weight="strong" tone="bad" role="alert">
          It could not be worked out. See what stands above first.
        </Type>
      )}
      {now?.state === 'working' ? (
        <View style={styles.row}>
          <Type style={styles.grow} aria-live="polite" testID="findable-share">
            {`Working calls: ${Math.round(now.share * 100)} %`}
          </Type>
          <Button icon="x" label="Stop" testID="findable-stop" onPress={stopDiagnosis} />
        </View>
      ) : (
        <Button
          icon="activity"
          label="Work a call on each"
          testID="findable-ask"
          onPress={() => void ask()}
        />
      )}
    </Card>
  );
}

function Found({ diagram, findable }: { diagram: Diagram; findable: Findable }) {
  const { calls, named, together, missed, hidden } = findable;
  const name = (id: string): string => nameOf(diagram, id);
  return (
    <View testID="findable-found" style={styles.list}>
      <Type weight="strong">
        {`${named} of ${calls} faults lead to their part alone${hidden ? `; ${hidden} more are noticed by nobody` : ''}.`}
      </Type>
      {together.map(({ suspects, times }) => (
        <Type key={suspects.join()}>
          {`Not told apart at any point that is reached (${times}): ${suspects.map(name).join(', ')}.`}
        </Type>
      ))}
      {missed.slice(0, MOST_TOLD).map(({ suspect, faults, named: other }, i) => (
        <Type key={`${i} ${suspect}`} tone={other === undefined ? 'ink' : 'bad'}>
          {`${name(suspect)}, ${sayFaultOf(diagram, faults)}: ${other === undefined ? 'not found' : `${name(other)} was named`}.`}
        </Type>
      ))}
      {missed.length > MOST_TOLD && <Type>{`And ${missed.length - MOST_TOLD} more.`}</Type>}
    </View>
  );
}

const MOST_TOLD = 8;

const styles = StyleSheet.create({
  list: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
  grow: { flexGrow: 1, flexShrink: 1 },
});
