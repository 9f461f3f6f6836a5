import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { ShopTerms } from '../../../core/decide/expectedCost';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { change } from '../../state/settings';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

const FIELDS: [keyof Omit<ShopTerms, 'twoReadings'>, string, number][] = [
  ['perHour', 'Charged for an hour', 10_000],
  ['visit', 'Charged for a visit', 10_000],
  ['costPerHour', 'An hour costs the shop', 10_000],
  ['wayMinutes', 'Minutes of the way, there and back', 1_000],
  ['boughtFor', 'A part is bought for this share of its price', 1],
  ['dayWithout', 'A day without the unit is worth', 10_000],
  ['horizonDays', 'Days after which a return is a new call', 3_650],
];

/** What the options are reckoned with; kept on this device. */
export function TermsCard() {
  const dispatch = useAppDispatch();
  const { terms, currency } = useAppSelector((state) => state.settings);
  const [open, setOpen] = useState(false);
  const set = (some: Partial<ShopTerms>): void =>
    void dispatch(change({ terms: { ...terms, ...some } }));
  return (
    <Card testID="terms">
      <Button
        icon={open ? 'chevron-up' : 'sliders'}
        label="What we charge, and how far ahead we look"
        testID="open-terms"
        selected={open}
        onPress={() => setOpen(!open)}
      />
      {open && (
        <>
          <Type size="small" tone="soft">
            Usual figures until you put yours in. They are kept on this device.
          </Type>
          <View style={styles.row}>
            {FIELDS.map(([name, label, most]) => (
              <View key={name} style={styles.field}>
                <NumberField
                  label={label}
                  testID={`terms-${name}`}
                  value={terms[name]}
                  most={most}
                  wanted
                  change={(value) => value !== undefined && set({ [name]: value })}
                />
              </View>
            ))}
            <View style={styles.field}>
              <Field
                label="Sign of the money"
                testID="terms-currency"
                value={currency}
                maxLength={4}
                onChangeText={(text) => void dispatch(change({ currency: text }))}
              />
            </View>
          </View>
          <Button
            icon={terms.twoReadings ? 'check-square' : 'square'}
            label="Two readings before a part that protects people"
            testID="terms-two-readings"
            selected={terms.twoReadings}
            onPress={() => set({ twoReadings: !terms.twoReadings })}
          />
        </>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  field: { flexGrow: 1, flexBasis: 220, maxWidth: '100%' },
});
