import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { RepairOption } from '../../../core/decide/options';
import { OPTION_WORDS } from '../../../core/describe/option';
import { nameOf } from '../../../core/describe/unit';
import type { Diagram } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

interface Props {
  diagram: Diagram;
  option: RepairOption;
  options: readonly RepairOption[];
  take: (option: RepairOption, choice: string, declined: string[]) => void;
  cancel: () => void;
}

/** What the customer chose and declined, in the customer's words. */
export function ChoiceCard({ diagram, option, options, take, cancel }: Props) {
  const [choice, setChoice] = useState('');
  const [declined, setDeclined] = useState<string[]>([]);
  const [other, setOther] = useState('');
  // What may be had beside it and was offered: companions first.
  const left = options.find(({ kind }) => kind === 'companions')?.along ?? [];
  const offers = [
    ...(option.kind === 'companions' ? [] : left.map((each) => nameOf(diagram, each))),
    ...options
      .filter(({ kind, against }) => kind !== option.kind && kind !== 'nothing' && !against.length)
      .map(({ kind }) => OPTION_WORDS[kind]),
  ];
  const toggle = (offer: string): void =>
    setDeclined(
      declined.includes(offer) ? declined.filter((each) => each !== offer) : [...declined, offer],
    );
  return (
    <Card edge="act" testID="choice">
      <Type size="lead" weight="heavy" role="heading" aria-level={2}>
        {OPTION_WORDS[option.kind]}
      </Type>
      <Field
        label="The customer’s choice, in the customer’s words"
        testID="choice-words"
        value={choice}
        onChangeText={setChoice}
        maxLength={500}
        multiline
      />
      <Type weight="strong">Offered, and declined:</Type>
      <View style={styles.row}>
        {offers.map((offer, i) => (
          <Button
            key={offer}
            icon={declined.includes(offer) ? 'check-square' : 'square'}
            label={offer}
            testID={`declined-${i}`}
            selected={declined.includes(offer)}
            onPress={() => toggle(offer)}
          />
        ))}
      </View>
      <Field
        label="Something else that was declined"
        testID="declined-other"
        value={other}
        onChangeText={setOther}
        maxLength={300}
      />
      <View style={styles.row}>
        <Button
          look="act"
          icon="check"
          label="So it is done"
          testID="decide-keep"
          style={styles.grow}
          onPress={() =>
            take(option, choice.trim(), [...declined, ...(other.trim() ? [other.trim()] : [])])
          }
        />
        <Button icon="x" label="Back to the options" testID="decide-cancel" onPress={cancel} />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
