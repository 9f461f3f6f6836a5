import { useState } from 'react';
import { StyleSheet } from 'react-native';
import { parseDisplay } from '../../../core/meter/display';
import { METERS } from '../../../core/meter/meter';
import { change } from '../../state/settings';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { useKeys } from '../../ui/useKeys';
import { space } from '../../theme/theme';

/** More than this is a bad lead or jack, in ohm: from memory. */
const MOST = 5;

/** The meter is named and its leads are read, once a visit: what they have is taken off every reading. */
export function ProveMeter({
  proved,
  active = true,
}: {
  proved: (leadOhms: number) => void;
  /** False while it is out of sight: nobody proves a meter unseen. */
  active?: boolean;
}) {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((state) => state.settings.meter);
  const [text, setText] = useState('0.2');
  const parsed = parseDisplay(text);
  const ohms =
    parsed.ok && parsed.value.kind === 'ohms' && parsed.value.ohms <= MOST
      ? parsed.value.ohms
      : undefined;
  const done = (): void => {
    if (ohms !== undefined) proved(ohms);
  };
  useKeys({ Enter: done }, active);
  return (
    <Card edge="warn" testID="prove-meter" style={styles.card}>
      <Type size="title" weight="heavy" role="heading" aria-level={2}>
        Prove the meter
      </Type>
      <OneOf
        titled
        label="Which meter is in your hand?"
        choices={METERS.map(({ id, name }) => ({ id, label: name, testID: `meter-${id}` }))}
        chosen={METERS.find(({ id }) => id === chosen)?.id}
        choose={(id) => dispatch(change({ meter: id }))}
      />
      <Type>
        Dial on Ω, lowest range. Touch the tips together: it must beep or read near zero. If not:
        jacks, dial, leads.
      </Type>
      <Field
        label="What it reads with the tips together, in Ω (it is taken off every reading)"
        testID="lead-ohms"
        value={text}
        onChangeText={setText}
        inputMode="decimal"
        onSubmitEditing={done}
        {...(ohms === undefined && {
          fault: 'Leads read up to a few ohm, such as 0.2; more means a bad lead or jack',
        })}
      />
      <Button
        look="act"
        label="The meter is proved"
        icon="check"
        shortcut="Enter"
        testID="meter-proved"
        disabled={ohms === undefined}
        onPress={done}
      />
    </Card>
  );
}

const styles = StyleSheet.create({ card: { gap: space.m } });
