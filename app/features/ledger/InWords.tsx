import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { space } from '../../theme/theme';

interface Props {
  label: string;
  /** What its controls are called by a test. */
  name: string;
  keep: (words: string) => void;
  cancel: () => void;
}

/** Words that stand in for what was not done: nothing is left open without them. */
export function InWords({ label, name, keep, cancel }: Props) {
  const [words, setWords] = useState('');
  const [asked, setAsked] = useState(false);
  const said = words.trim();
  return (
    <>
      <Field
        label={label}
        testID={`${name}-words`}
        value={words}
        onChangeText={setWords}
        maxLength={300}
        autoFocus
        {...(asked && !said && { fault: 'Say it in a few words: it stands on the report.' })}
      />
      <View style={styles.row}>
        <Button
          look="act"
          icon="check"
          label="Keep this"
          testID={`${name}-keep`}
          style={styles.grow}
          onPress={() => (said ? keep(said) : setAsked(true))}
        />
        <Button icon="x" label="Cancel" testID={`${name}-cancel`} onPress={cancel} />
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
