import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { FELT, type Felt } from '../../../core/call/evidence';
import { INSTRUMENT } from '../../../core/describe/test';
import { capital, sayUse } from '../../../core/describe/unit';
import { feltSpan, movedBy, quantityOf } from '../../../core/inference/quantity';
import type { MeasureTest } from '../../../core/plan/unitTests';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { Work } from './useWork';

/** A quantity is read and not assumed: by which instrument, what it decides, and what it was. */
export function MeasureCard({ work, test }: { work: Work; test: MeasureTest }) {
  const { diagram } = work.call;
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string>();
  const quantity = quantityOf(diagram, test.actuator);
  if (!quantity) return null;
  const { name, unit } = quantity;
  const enter = (): void => {
    const value = Number(text.trim().replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(value))
      return setFault(`Say it as a number of ${unit}, such as 72.`);
    work.measure(test, value);
  };
  return (
    <>
      <Type size="title" weight="heavy">
        Measure: {name}
      </Type>
      <Type>
        {capital(INSTRUMENT[quantity.quantity])},{' '}
        {test.steps === undefined ? 'as it stands' : sayUse(diagram, test.steps).toLowerCase()}.
      </Type>
      {movedBy(diagram, quantity.id).map(({ id, name: part, setPoints: { rising, falling } }) => (
        <Type key={id} size="small" testID={`goes-over-${id}`}>
          {part}: goes over at {rising.at} {unit} rising, back at {falling.at} {unit} falling.
        </Type>
      ))}
      <Field
        label={`${name}, ${unit}`}
        testID="measured"
        value={text}
        inputMode="decimal"
        onChangeText={(now) => {
          setText(now);
          setFault(undefined);
        }}
        onSubmitEditing={enter}
        {...(fault !== undefined && { fault })}
      />
      <View style={styles.row}>
        <Button
          look="act"
          label="Measured"
          testID="measure-enter"
          style={styles.grow}
          onPress={enter}
        />
      </View>
      {quantity.quantity === 'temperature' && (
        <>
          <Type size="small">Or by hand, power off: the back of a finger first.</Type>
          <View style={styles.row}>
            {FELT.map((each) => (
              <Button
                key={each}
                label={FELT_WORDS[each]}
                testID={`felt-${each}`}
                style={styles.grow}
                onPress={() => work.measure(test, feltSpan(quantity, each).about, each)}
              />
            ))}
          </View>
        </>
      )}
    </>
  );
}

const FELT_WORDS: Record<Felt, string> = {
  cold: 'Cold',
  warm: 'Warm',
  hot: 'Too hot to hold',
};

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
