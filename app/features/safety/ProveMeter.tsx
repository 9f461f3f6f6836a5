import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { parseDisplay } from '../../../core/meter/display';
import { MOST_LEAD_OHMS } from '../../../contract/limits';
import { selectMeter, selectMeters } from '../../state/meterInHand';
import { loadMeters } from '../../state/meters';
import { change } from '../../state/settings';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { useKeys } from '../../ui/useKeys';
import { MeterForm } from './MeterForm';
import { space } from '../../theme/theme';

/** The meter is named and its leads are read, once a visit: what they have is taken off every reading. */
export function ProveMeter({
  proved,
  active = true,
}: {
  /** @param meter what it is called */
  proved: (leadOhms: number, meter: string) => void;
  /** False while it is out of sight: nobody proves a meter unseen. */
  active?: boolean;
}) {
  const dispatch = useAppDispatch();
  const all = useAppSelector(selectMeters);
  const meter = useAppSelector(selectMeter);
  const own = useAppSelector((state) => state.meters.list).find(({ id }) => id === meter.id);
  const [written, setWritten] = useState<string>();
  const [form, setForm] = useState<'new' | 'change'>();
  useEffect(() => {
    void dispatch(loadMeters());
  }, [dispatch]);
  const text = written ?? String(meter.leadOhms);
  const choose = (id: string): void => {
    dispatch(change({ meter: id }));
    setWritten(undefined);
  };
  const parsed = parseDisplay(text);
  const ohms =
    parsed.ok && parsed.value.kind === 'ohms' && parsed.value.ohms <= MOST_LEAD_OHMS
      ? parsed.value.ohms
      : undefined;
  const done = (): void => {
    if (ohms !== undefined) proved(ohms, meter.name);
  };
  useKeys({ Enter: done }, active && form === undefined);
  return (
    <Card edge="warn" testID="prove-meter" style={styles.card}>
      <Type size="title" weight="heavy" role="heading" aria-level={2}>
        Prove the meter
      </Type>
      <OneOf
        titled
        label="Which meter is in your hand?"
        choices={all.map(({ id, name }) => ({ id, label: name, testID: `meter-${id}` }))}
        chosen={meter.id}
        choose={choose}
      />
      {form === undefined ? (
        <View style={styles.row}>
          <Button
            look="bare"
            icon="plus"
            label="Another meter of ours"
            testID="meter-new"
            onPress={() => setForm('new')}
          />
          {own && (
            <Button
              look="bare"
              icon="edit-2"
              label="Change or remove it"
              testID="meter-change"
              onPress={() => setForm('change')}
            />
          )}
        </View>
      ) : (
        <MeterForm
          meter={form === 'change' ? own : undefined}
          done={(kept) => {
            setForm(undefined);
            if (kept) choose(kept.id);
          }}
        />
      )}
      <Type>
        Dial on Ω, lowest range. Touch the tips together: it must beep or read near zero. If not:
        jacks, dial, leads.
      </Type>
      <Field
        label="What it reads with the tips together, in Ω (it is taken off every reading)"
        testID="lead-ohms"
        value={text}
        onChangeText={setWritten}
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

const styles = StyleSheet.create({
  card: { gap: space.m },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
