import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { freeId } from '../../../core/draft/changePart';
import { sayUse } from '../../../core/describe/use';
import type { Diagram } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { TeachingBench } from '../diagrams/useTeachingBench';

interface Props {
  diagram: Diagram;
  bench: TeachingBench;
  change: (to: Diagram) => void;
}

/** How the unit is used: played on the drawing, and recorded by moving its controls there. */
export function UsesCard({ diagram, bench, change }: Props) {
  const uses = diagram.uses ?? [];
  const [name, setName] = useState('');
  const keep = (): void => {
    const id = freeId(name, uses);
    change({ ...diagram, uses: [...uses, { id, name: name.trim(), steps: bench.done }] });
    setName('');
  };
  return (
    <Card testID="uses">
      <Type weight="heavy" role="heading" aria-level={2}>
        What does it do?
      </Type>
      {uses.map((use) => (
        <View key={use.id} style={styles.row}>
          <Button
            icon="play"
            label={use.name}
            testID={`play-${use.id}`}
            onPress={() => bench.play(use.steps)}
            style={styles.grow}
          />
          <Button
            look="bare"
            icon="trash-2"
            label="Out"
            hint={`Take the use ${use.name} out`}
            testID={`remove-use-${use.id}`}
            onPress={() => change({ ...diagram, uses: uses.filter((each) => each !== use) })}
          />
        </View>
      ))}
      {bench.done ? (
        <>
          <Type size="small" testID="recorded">
            Done since it was drawn: {sayUse(diagram, bench.done)}.
          </Type>
          <Field
            label="Kept as a use, by the name"
            testID="use-name"
            value={name}
            onChangeText={setName}
          />
          <Button
            icon="save"
            label="Keep this use"
            testID="keep-use"
            disabled={!name.trim()}
            onPress={keep}
          />
        </>
      ) : (
        <Type size="small" tone="soft">
          Plug it in and move its controls: what was done can be kept as a use, by which complaints
          are told and repairs proved.
        </Type>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1, flexShrink: 1 },
});
