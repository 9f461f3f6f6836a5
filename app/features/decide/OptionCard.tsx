import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { Figures, RepairOption } from '../../../core/decide/options';
import { sayChance } from '../../../core/describe/chance';
import { OPTION_WORDS, RULE_WORDS, SCHOOLS_ON, TERM_WORDS } from '../../../core/describe/option';
import { nameOf } from '../../../core/describe/unit';
import { capital } from '../../../core/describe/use';
import type { Diagram } from '../../../core/diagram/diagram';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { NumberField } from '../../ui/NumberField';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { useMoney } from './useMoney';

interface Props {
  diagram: Diagram;
  option: RepairOption;
  /** It costs least of what may be done. */
  first: boolean;
  type: (figures: Figures) => void;
  choose: () => void;
  /** Proves a used part on the bench. */
  prove: () => void;
}

/** One thing that can be done: what it comes to, what speaks for it, and the sum where somebody asks. */
export function OptionCard({ diagram, option, first, type, choose, prove }: Props) {
  const money = useMoney();
  const [open, setOpen] = useState(false);
  const { kind, along, figures, cost, against, guessed, events } = option;
  const school = SCHOOLS_ON[kind];
  const barred = against.length > 0;
  return (
    <Card edge={first ? 'act' : 'line'} testID={`option-${kind}`}>
      <Type size="lead" weight="heavy" role="heading" aria-level={3}>
        {OPTION_WORDS[kind]}
      </Type>
      {along.length > 0 && (
        <Type>With: {along.map((each) => nameOf(diagram, each)).join(', ')}</Type>
      )}
      {against.map((rule) => (
        <Type key={rule} weight="strong" tone="bad" testID={`rule-${rule}`}>
          {RULE_WORDS[rule]}
        </Type>
      ))}
      {(against.includes('bench-first') || against.includes('bench-bad')) && (
        <Button
          icon="activity"
          label="Prove it on the bench"
          testID="prove-bench"
          onPress={prove}
        />
      )}
      {!barred && kind !== 'hand-over' && (
        <Type weight="strong" testID={`cost-${kind}`}>
          About {money(cost.customer)} for the customer
          {cost.shop >= 0.5 ? `, ${money(cost.shop)} at the shop’s risk` : ''}
          {events.length > 0 ? ` · comes back in ${sayChance(cost.comesBack)}` : ''}
        </Type>
      )}
      {!barred && guessed && (
        <Type size="small" tone="soft">
          The price is a guess by its kind: put yours in.
        </Type>
      )}
      {school && !barred && (
        <>
          <Type size="small">{school.says}</Type>
          <Type size="small" tone="soft">
            Others say: {school.others}
          </Type>
        </>
      )}
      {open && !barred && (
        <View style={styles.sum} testID={`sum-${kind}`}>
          <View style={styles.row}>
            {FIELDS.map(([name, label]) => (
              <View key={name} style={styles.field}>
                <NumberField
                  label={label}
                  testID={`${name}-${kind}`}
                  value={figures[name]}
                  change={(value) => type({ [name]: value })}
                />
              </View>
            ))}
          </View>
          {cost.terms
            .filter(({ customer, shop }) => customer || shop)
            .map(({ says, customer, shop }) => (
              <Type key={says} size="small">
                {capital(TERM_WORDS[says])}: {money(customer)} for the customer
                {shop ? `, ${money(shop)} for the shop` : ''}
              </Type>
            ))}
          {events.map(({ says, chance, pays }) => (
            <Type key={says} size="small" tone="soft">
              · {says}: {sayChance(chance)},{' '}
              {pays === 'shop' ? 'the shop stands in' : 'the customer pays'}
            </Type>
          ))}
        </View>
      )}
      {!barred && (
        <View style={styles.row}>
          <Button
            {...(first && { look: 'act' })}
            icon="check"
            label="Take this"
            hint={`Take this: ${OPTION_WORDS[kind]}`}
            testID={`take-${kind}`}
            style={styles.grow}
            onPress={choose}
          />
          {kind !== 'hand-over' && (
            <Button
              icon={open ? 'chevron-up' : 'chevron-down'}
              label="The sum"
              hint={`The sum: ${OPTION_WORDS[kind]}`}
              testID={`open-sum-${kind}`}
              selected={open}
              onPress={() => setOpen(!open)}
            />
          )}
        </View>
      )}
    </Card>
  );
}

const FIELDS = [
  ['partPrice', 'Parts'],
  ['minutes', 'Minutes'],
  ['leadDays', 'Days of wait'],
] as const;

const styles = StyleSheet.create({
  sum: { gap: space.xs },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  field: { flexGrow: 1, flexBasis: 100, maxWidth: '100%' },
  grow: { flexGrow: 1 },
});
