import { StyleSheet, View } from 'react-native';
import type { Diagram, QuantityActuator } from '../../../core/diagram/diagram';
import { switches } from '../../../core/diagram/terminal';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { TeachingBench } from './useTeachingBench';

/** Everything that a hand moves, the power, and the quantities that switches answer to. */
export function Controls({ diagram, bench }: { diagram: Diagram; bench: TeachingBench }) {
  const { powered, stands, move } = bench;
  return (
    <Card testID="controls">
      <View style={styles.row}>
        <Button
          look="act"
          icon="power"
          label={powered ? 'Unplug it' : 'Plug it in'}
          testID="bench-power"
          onPress={() => move(powered ? 'power=off' : 'power=on')}
          style={styles.grow}
        />
        <Button
          icon="rotate-ccw"
          label="As drawn"
          testID="as-drawn"
          onPress={bench.asDrawn}
          style={styles.grow}
        />
      </View>
      {diagram.actuators.map((actuator) => {
        if (actuator.kind === 'driven') return null;
        const { id } = actuator;
        const choices =
          actuator.kind === 'quantity'
            ? levelsOf(diagram, actuator)
            : actuator.positions.map((each) => ({ value: each.id, says: each.name }));
        if (choices.length < 2) return null;
        return (
          <View key={id} style={styles.control}>
            <Type size="small" weight="strong">
              {actuator.name}
              {actuator.kind === 'quantity'
                ? `: ${Math.round(Number(stands[id]))} ${actuator.unit}`
                : ''}
            </Type>
            <View style={styles.row}>
              {choices.map(({ value, says }) => (
                <Button
                  key={value}
                  label={says}
                  testID={`move-${id}-${value}`}
                  selected={actuator.kind !== 'quantity' && stands[id] === value}
                  onPress={() => move(`${id}=${value}`)}
                />
              ))}
            </View>
          </View>
        );
      })}
      {bench.moments.length > 1 && (
        <View style={styles.control}>
          <Type size="small" weight="strong">
            Seconds after the last move
          </Type>
          <View style={styles.row}>
            {bench.moments.map((at, i) => (
              <Button
                key={i}
                label={`${Math.round(at)}`}
                hint={`${Math.round(at)} seconds after`}
                testID={`moment-${i}`}
                selected={i === bench.moment}
                onPress={() => bench.setMoment(i)}
              />
            ))}
          </View>
        </View>
      )}
    </Card>
  );
}

/** Values of a quantity that matter: as drawn, and just past each set point. */
function levelsOf(
  diagram: Diagram,
  { id, unit }: QuantityActuator,
): { value: string; says: string }[] {
  const drawn = Number(diagram.drawnFor[id]);
  const past = switches(diagram).flatMap(({ actuator, setPoints, name }) =>
    actuator === id && setPoints
      ? [{ value: setPoints.rising.at + setPoints.rising.tolerance, says: `past ${name}` }]
      : [],
  );
  return [
    { value: String(drawn), says: `${drawn} ${unit}` },
    ...past.map(({ value, says }) => ({ value: String(value), says: `${value} ${unit}, ${says}` })),
  ];
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  control: { gap: space.xs },
  grow: { flexGrow: 1 },
});
