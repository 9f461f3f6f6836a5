import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { ModelSheet } from '../../../core/diagram/modelPattern';
import { useWho } from '../../state/hooks';
import { sayModelSheet } from '../../sync/api';
import { useModelSheets } from '../../state/useModelSheets';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { sayWhyNot } from '../../ui/sayWhyNot';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

/** The models that use this sheet, with wild cards as sheets have them. */
export function ModelsCard({ diagram }: { diagram: string }) {
  const who = useWho();
  const { sheets, again } = useModelSheets(who);
  const [make, setMake] = useState('');
  const [pattern, setPattern] = useState('');
  const [fault, setFault] = useState<string>();
  const say = (sheet: Omit<ModelSheet, 'diagram'>, to: string | null): void => {
    setFault(undefined);
    sayModelSheet(who, crypto.randomUUID(), {
      make: sheet.make,
      pattern: sheet.pattern,
      diagram: to,
    }).then(
      () => {
        setPattern('');
        again();
      },
      (error: unknown) =>
        setFault(sayWhyNot(error, 'The server is away; nothing was changed.').join(' ')),
    );
  };
  const mine = sheets.filter((each) => each.diagram === diagram);
  return (
    <Card testID="models">
      <Type weight="heavy" role="heading" aria-level={2}>
        Models that use it
      </Type>
      {mine.map((sheet) => (
        <View key={`${sheet.make} ${sheet.pattern}`} style={styles.row}>
          <Type weight="mono" style={styles.grow}>
            {`${sheet.make} ${sheet.pattern}`.trim()}
          </Type>
          <Button
            look="bare"
            icon="x"
            label="Out"
            hint={`${sheet.pattern} uses it no more`}
            testID={`model-out-${sheet.pattern}`}
            onPress={() => say(sheet, null)}
          />
        </View>
      ))}
      <Field label="Make" testID="model-make" value={make} onChangeText={setMake} />
      <Field
        label="Model number; * stands for any letters, ? for one: WD2?0*"
        testID="model-pattern"
        value={pattern}
        onChangeText={setPattern}
        autoCapitalize="characters"
        {...(fault !== undefined && { fault })}
      />
      <Button
        icon="plus"
        label="This model uses it"
        testID="model-add"
        onPress={() => say({ make: make.trim(), pattern: pattern.trim() }, diagram)}
      />
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
  grow: { flexGrow: 1, flexShrink: 1 },
});
