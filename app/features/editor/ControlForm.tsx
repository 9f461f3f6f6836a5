import { StyleSheet, View } from 'react-native';
import { movePosition, namePosition, setDrawn, setDriver } from '../../../core/draft/editAround';
import { rename } from '../../../core/draft/edit';
import { removePosition } from '../../../core/draft/editTable';
import type { Actuator, Diagram, Position } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import { OneOf } from '../../ui/OneOf';
import { Sortable } from '../../ui/Sortable';
import { space } from '../../theme/theme';
import { LateField } from './LateField';

interface Props {
  diagram: Diagram;
  actuator: Actuator;
  change: (to: Diagram) => void;
}

/** What moves switches: what it is called, its positions in the order in which they are passed, how it is drawn, what drives it. */
export function ControlForm({ diagram, actuator, change }: Props) {
  const { id } = actuator;
  const named = (to: (text: string) => Diagram) => (text: string) => {
    if (!text) return 'Say it in a word or two.';
    change(to(text));
    return undefined;
  };
  const position = ({ id: at, name }: Position, i: number) => (
    <View key={at} style={styles.row}>
      <View style={styles.wide}>
        <LateField
          label={`Position ${i + 1}, as it is said`}
          testID={`position-${at}`}
          value={name}
          take={named((to) => namePosition(diagram, id, at, to))}
        />
      </View>
      {actuator.kind === 'hand' && actuator.positions.length > 2 && (
        <Button
          look="bare"
          icon="x"
          label="Out"
          hint={`Take the position ${name} out`}
          testID={`remove-position-${at}`}
          onPress={() => change(removePosition(diagram, id, at))}
        />
      )}
    </View>
  );
  return (
    <View style={styles.form} testID={`control-${id}`}>
      <LateField
        label="The control is called"
        testID="control-name"
        value={actuator.name}
        take={named((name) => rename(diagram, id, name))}
      />
      {actuator.kind === 'quantity' ? (
        <LateField
          label={`As it is drawn, ${actuator.unit}`}
          testID="control-drawn"
          numeric
          value={String(diagram.drawnFor[id] ?? '')}
          take={(text) => {
            const at = Number(text.replace(',', '.'));
            if (!text || !Number.isFinite(at)) return 'A number.';
            change(setDrawn(diagram, id, at));
            return undefined;
          }}
        />
      ) : (
        <>
          {actuator.kind === 'hand' ? (
            <Sortable
              items={actuator.positions}
              move={(from, to) => change(movePosition(diagram, id, from, to))}
              row={position}
            />
          ) : (
            actuator.positions.map(position)
          )}
          <OneOf
            label="The sheet is drawn with"
            titled
            choices={actuator.positions.map(({ id: at, name }) => ({
              id: at,
              label: name,
              testID: `drawn-${at}`,
            }))}
            chosen={String(diagram.drawnFor[id] ?? '')}
            choose={(at) => change(setDrawn(diagram, id, at))}
          />
        </>
      )}
      {actuator.kind === 'driven' && (
        <OneOf
          label="Driven by"
          titled
          choices={diagram.parts
            .filter(({ kind }) => kind === 'load' || kind === 'board')
            .map(({ id: by, name }) => ({ id: by, label: name, testID: `driven-by-${by}` }))}
          chosen={actuator.by}
          choose={(by) => change(setDriver(diagram, id, by))}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  form: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'flex-end' },
  wide: { flexGrow: 1, flexBasis: 110 },
});
