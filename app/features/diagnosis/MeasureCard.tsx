import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { FELT, type Felt } from '../../../core/call/evidence';
import { INSTRUMENT } from '../../../core/describe/test';
import { nameOf } from '../../../core/describe/unit';
import { capital, sayUse } from '../../../core/describe/use';
import { feltSpan, movedBy, quantityOf } from '../../../core/inference/quantity';
import type { MeasureTest } from '../../../core/plan/unitTests';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { GoodShown } from '../../workers/diagnosis';
import { BeforePower, ThenOff } from './BeforePower';
import { Good } from './Good';
import { ProvedDead } from '../safety/MakeSafe';
import type { Work } from './useWork';

interface Props {
  work: Work;
  test: MeasureTest;
  /** What a good unit shows of a current, where that is told before. */
  good: GoodShown | undefined;
}

/** A quantity or a current is read and not assumed; what takes power says all that must be so before. */
export function MeasureCard({ work, test, good }: Props) {
  const { diagram } = work.call;
  const { actuator, steps } = test;
  const [ready, setReady] = useState(steps === undefined);
  const quantity = quantityOf(diagram, actuator);
  const name = nameOf(diagram, actuator);
  if (!ready && steps !== undefined)
    return (
      <>
        {!quantity && <Clamp name={name} />}
        {!quantity && !work.safe && <ProvedDead safe={work.safe} makeSafe={work.makeSafe} />}
        <BeforePower
          work={work}
          steps={steps}
          then={quantity ? `measure: ${name}` : 'read the clamp'}
          onReady={() => setReady(true)}
        />
      </>
    );
  return (
    <>
      <Type size="title" weight="heavy">
        {quantity ? `Measure: ${name}` : `Clamp around one wire: ${name}`}
      </Type>
      <Type>
        {quantity ? `${capital(INSTRUMENT[quantity.quantity])}: ` : ''}
        {steps === undefined ? 'as it stands' : sayUse(diagram, steps)}.
      </Type>
      {quantity &&
        movedBy(diagram, actuator).map(({ id, name: part, setPoints: { rising, falling } }) => (
          <Type key={id} size="small" testID={`goes-over-${id}`}>
            {part}: goes over at {rising.at} {quantity.unit} rising, back at {falling.at}{' '}
            {quantity.unit} falling.
          </Type>
        ))}
      {good && <Good good={good} />}
      <Value
        label={quantity ? `${name}, ${quantity.unit}` : 'Current, A'}
        unit={quantity?.unit ?? 'A'}
        onValue={(value) => work.measure(test, value)}
        least={quantity ? -Infinity : 0}
      />
      {quantity?.quantity === 'temperature' && (
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
      {steps !== undefined && <ThenOff />}
    </>
  );
}

/** How a clamp is put on: two wires in its jaws cancel, and nobody reaches in with power on. */
const Clamp = ({ name }: { name: string }) => (
  <>
    <Type size="title" weight="heavy">
      Clamp: current of {name}
    </Type>
    <Type testID="clamp">
      Dead and proved: put the clamp around one of its wires alone, the jaws shut, the display where
      it is seen. Two wires in the jaws cancel.
    </Type>
  </>
);

interface ValueProps {
  label: string;
  unit: string;
  least: number;
  onValue: (value: number) => void;
}

function Value({ label, unit, least, onValue }: ValueProps) {
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string>();
  const enter = (): void => {
    const value = Number(text.trim().replace(',', '.'));
    if (text.trim() === '' || !Number.isFinite(value) || value < least)
      return setFault(
        `Say it as a number of ${unit}${least === 0 ? ', 0 or more' : ''}, such as ${least === 0 ? '21.5' : '72'}.`,
      );
    onValue(value);
  };
  return (
    <>
      <Field
        label={label}
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
