import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { sayInputFault } from '../../../contract/problem';
import type { Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { bringReaders, NOT_WHOLE } from '../../sync/readers';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { FileButton } from '../../ui/FileButton';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

interface Props {
  diagram: Diagram;
  part: SwitchPart;
  change: (to: Diagram) => void;
  done: () => void;
}

/** A table from a spreadsheet or a file: its columns make contacts, its lines positions. Taken whole or not at all. */
export function PasteTable({ diagram, part, change, done }: Props) {
  const [text, setText] = useState('');
  const [faults, setFaults] = useState<string[]>([]);
  const take = async (csv: string): Promise<void> => {
    const readers = await bringReaders().catch(() => undefined);
    if (!readers) return setFaults([NOT_WHOLE]);
    const pasted = readers.pasteTable(diagram, part.id, csv);
    if (!pasted.ok) return setFaults(pasted.error.map(sayInputFault));
    change(pasted.value);
    done();
  };
  return (
    <>
      <Field
        label="Paste it: first line the pairs of terminals, then a line for each position; closed, x, 1 or open, -, 0, or ~ for either"
        testID="paste-text"
        value={text}
        onChangeText={setText}
        multiline
        numberOfLines={6}
      />
      {faults.map((each) => (
        <Type key={each} size="small" weight="strong" tone="bad" testID="paste-fault" role="alert">
          {each}
        </Type>
      ))}
      <View style={styles.row}>
        <Button
          look="act"
          icon="check"
          label="Take this table"
          testID="paste-take"
          onPress={() => void take(text)}
        />
        <FileButton
          icon="upload"
          label="CSV file"
          testID="paste-file"
          field={{
            testID: 'paste-file-field',
            name: 'A contact table as CSV',
            accept: '.csv,.txt',
          }}
          chosen={(file) => void file.text().then(take)}
        />
        <Button icon="x" label="Close" testID="paste-close" onPress={done} />
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
