import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { ShopMeter } from '../../../contract/meter';
import { METERS } from '../../../core/meter/meter';
import { dropMeter, keepMeter } from '../../state/meters';
import { useAppDispatch } from '../../state/hooks';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { bringReaders, NOT_WHOLE } from '../../sync/readers';

interface Props {
  /** The one that is changed; a new one when absent. */
  meter: ShopMeter | undefined;
  /** It is kept, and is the one in the hand now; undefined where it was removed, or nothing was changed. */
  done: (kept: ShopMeter | undefined) => void;
}

/** A meter of the shop: what it is called, which kind it is, what its leads usually have. */
export function MeterForm({ meter, done }: Props) {
  const dispatch = useAppDispatch();
  const [name, setName] = useState(meter?.name ?? '');
  const [kind, setKind] = useState(meter?.kind ?? METERS[0].id);
  const [leads, setLeads] = useState(String(meter?.leadOhms ?? METERS[0].leads.ohms));
  const [faults, setFaults] = useState<Partial<Record<string, string>>>({});
  // The server has the last word, and what is typed stays here until it has said it.
  const ask = async (change: Promise<unknown>, kept: ShopMeter | undefined): Promise<void> => {
    try {
      await change;
      done(kept);
    } catch {
      setFaults({ whole: NOT_KEPT });
    }
  };
  const keep = async (): Promise<void> => {
    const leadOhms = leads.trim() === '' ? NaN : Number(leads.trim().replace(',', '.'));
    const readers = await bringReaders().catch(() => undefined);
    if (!readers) return setFaults({ whole: NOT_WHOLE });
    const read = readers.readDto(readers.MeterDto, { name: name.trim(), kind, leadOhms });
    if (!read.ok)
      return setFaults(
        Object.fromEntries(read.error.map(({ path, message }) => [path.slice(1), message])),
      );
    const kept: ShopMeter = { id: meter?.id ?? crypto.randomUUID(), ...read.value };
    void ask(dispatch(keepMeter(kept)).unwrap(), kept);
  };
  return (
    <View style={styles.form} testID="meter-form">
      <Field
        label="What is it called?"
        testID="meter-name"
        value={name}
        onChangeText={setName}
        {...(faults.name !== undefined && { fault: faults.name })}
      />
      <OneOf
        titled
        label="Which kind is it?"
        choices={METERS.map((each) => ({
          id: each.id,
          label: each.name,
          testID: `meter-kind-${each.id}`,
        }))}
        chosen={kind}
        choose={setKind}
      />
      <Field
        label="What its leads usually have, in Ω"
        testID="meter-leads"
        inputMode="decimal"
        value={leads}
        onChangeText={setLeads}
        {...(faults.leadOhms !== undefined && { fault: faults.leadOhms })}
      />
      {faults.whole !== undefined && (
        <Type weight="strong" tone="bad" role="alert" testID="meter-not-kept">
          {faults.whole}
        </Type>
      )}
      <View style={styles.row}>
        <Button
          icon="check"
          label="Keep it"
          testID="meter-keep"
          onPress={keep}
          style={styles.grow}
        />
        {meter && (
          <Button
            icon="trash-2"
            label="Remove it"
            testID="meter-remove"
            onPress={() => void ask(dispatch(dropMeter(meter.id)).unwrap(), undefined)}
          />
        )}
        <Button icon="x" label="Cancel" testID="meter-cancel" onPress={() => done(meter)} />
      </View>
    </View>
  );
}

const NOT_KEPT =
  'It is not kept: the server, which has the list of the shop, is away or did not take it. Try again, or go on with one of its kind.';

const styles = StyleSheet.create({
  form: { gap: space.m },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
