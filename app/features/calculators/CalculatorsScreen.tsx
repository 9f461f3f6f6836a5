import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import {
  usualValues,
  wrongValue,
  type Calculator,
  type Input,
  type Values,
} from '../../../core/trade/calculator';
import { CALCULATORS } from '../../../core/trade/calculators';
import { secondsFromTaps } from '../../../core/trade/onTime';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { OneOf } from '../../ui/OneOf';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { useAddress } from '../../ui/useAddress';
import { space } from '../../theme/theme';

/** Every calculation of the trade; one that is opened from a call has its numbers filled in. */
export function CalculatorsScreen() {
  const { at, go } = useAddress();
  const chosen = CALCULATORS.find(({ id }) => id === at.get('calc')) ?? CALCULATORS[0];
  if (!chosen) return null;
  const begun = filledIn(chosen, at);
  const from = at.get('from');
  return (
    <Screen
      title="Calculators"
      back={from !== null && /^[0-9a-f-]{36}$/.test(from) ? `/call/${from}` : '/'}
    >
      <ScrollView contentContainerStyle={styles.inner} testID="calculators">
        <OneOf
          label="Which calculation"
          choices={CALCULATORS.map(({ id, name }) => ({ id, label: name, testID: `calc-${id}` }))}
          chosen={chosen.id}
          choose={(calc) => go({ calc })}
        />
        <OneCalculator
          key={`${chosen.id} ${JSON.stringify(begun)}`}
          calculator={chosen}
          begun={begun}
        />
      </ScrollView>
    </Screen>
  );
}

/** The usual values, and over them what the address has. */
function filledIn(calculator: Calculator, at: URLSearchParams): Values {
  const values = { ...usualValues(calculator) };
  for (const input of calculator.inputs) {
    const text = at.get(input.id);
    if (text === null) continue;
    const value = input.kind === 'number' ? Number(text) : text;
    if (wrongValue(input, value) === undefined) values[input.id] = value;
  }
  return values;
}

function OneCalculator({ calculator, begun }: { calculator: Calculator; begun: Values }) {
  const [values, setValues] = useState(begun);
  const { asks, inputs, formula, source } = calculator;
  const wrong = inputs.some((each) => wrongValue(each, values[each.id]) !== undefined);
  const answer = wrong ? undefined : calculator.answer(values);
  const set = (some: Values): void => setValues({ ...values, ...some });
  return (
    <Card testID={`calculator-${calculator.id}`}>
      <Type size="lead" weight="strong" role="heading" aria-level={2}>
        {asks}
      </Type>
      {calculator.id === 'on-time' && <Taps timed={set} />}
      <View style={styles.row}>
        {inputs.map((input) => (
          <View key={input.id} style={input.kind === 'choice' ? styles.whole : styles.field}>
            <OneInput
              input={input}
              value={values[input.id]}
              change={(value) => set({ [input.id]: value })}
            />
          </View>
        ))}
      </View>
      {answer ? (
        <View style={styles.answer} aria-live="polite" testID="answer">
          {answer.lines.map(({ label, says }) => (
            <View key={label} style={styles.line}>
              <Type tone="soft" style={styles.label}>
                {label}
              </Type>
              <Type weight="heavy" style={styles.says}>
                {says}
              </Type>
            </View>
          ))}
          {answer.mind?.map((each) => (
            <Type key={each} weight="strong" tone="warn">
              {each}
            </Type>
          ))}
        </View>
      ) : (
        <Type weight="strong" tone="warn" testID="no-answer">
          That gives nothing: look at what is typed.
        </Type>
      )}
      <Type size="small" weight="mono" testID="formula">
        {formula}
      </Type>
      <Type size="small" tone="soft">
        {source}. The maker’s sheet goes before it.
      </Type>
    </Card>
  );
}

function OneInput({
  input,
  value,
  change,
}: {
  input: Input;
  value: number | string | undefined;
  change: (value: number | string) => void;
}) {
  const testID = `in-${input.id}`;
  switch (input.kind) {
    case 'number':
      return (
        <NumberField
          label={input.unit ? `${input.label}, ${input.unit}` : input.label}
          testID={testID}
          value={typeof value === 'number' ? value : undefined}
          least={input.least}
          most={input.most}
          wanted
          change={(number) => change(number ?? NaN)}
        />
      );
    case 'choice':
      return (
        <OneOf
          titled
          label={input.label}
          choices={input.choices.map(({ id, label }) => ({ id, label, testID: `${testID}-${id}` }))}
          chosen={String(value)}
          choose={change}
        />
      );
    case 'text': {
      const fault = wrongValue(input, value);
      return (
        <Field
          label={input.label}
          testID={testID}
          value={String(value ?? '')}
          onChangeText={change}
          maxLength={40}
          {...(fault !== undefined && { fault })}
        />
      );
    }
  }
}

/** The clock in the hand: a tap each time that it goes on, and each time that it goes off. */
function Taps({ timed }: { timed: (seconds: { on: number; off: number }) => void }) {
  const [taps, setTaps] = useState<number[]>([]);
  const isOn = taps.length % 2 === 1;
  const tap = (): void => {
    const all = [...taps, performance.now() / 1000];
    setTaps(all);
    const seconds = secondsFromTaps(all);
    if (seconds) timed({ on: round(seconds.on), off: round(seconds.off) });
  };
  return (
    <View style={styles.taps}>
      <Button
        look="act"
        icon={isOn ? 'pause' : 'play'}
        label={isOn ? 'It goes off now' : taps.length ? 'It goes on again now' : 'It goes on now'}
        testID="tap"
        style={styles.grow}
        onPress={tap}
      />
      {taps.length > 0 && (
        <Button icon="rotate-ccw" label="Again" testID="taps-again" onPress={() => setTaps([])} />
      )}
      <Type size="small" tone="soft" testID="taps">
        {taps.length < 3
          ? 'Tap at each change, on and off: from the third tap on the seconds are filled in.'
          : `${taps.length} taps: their mean is filled in.`}
      </Type>
    </View>
  );
}

const round = (seconds: number): number => Math.round(10 * seconds) / 10;

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  field: { flexGrow: 1, flexBasis: 150, maxWidth: '100%' },
  whole: { width: '100%' },
  answer: { gap: space.s },
  line: { flexDirection: 'row', alignItems: 'baseline', columnGap: space.m },
  label: { flex: 2 },
  says: { flex: 3 },
  taps: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  grow: { flexGrow: 1 },
});
