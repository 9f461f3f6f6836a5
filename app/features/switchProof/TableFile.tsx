import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { sayInputFault, type InputFault } from '../../../contract/problem';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { useAppDispatch } from '../../state/hooks';
import { enqueue } from '../../sync/outbox';
import { saveTable } from '../../ui/saveTable';
import { space } from '../../theme/theme';
import type { SwitchProof } from './useSwitchProof';
import { bringReaders, NOT_WHOLE } from '../../sync/readers';

/** The contact table as CSV: out as a file, in from a spreadsheet; a bad one is refused whole. */
export function TableFile({ proof }: { proof: SwitchProof }) {
  const dispatch = useAppDispatch();
  const { call, part } = proof;
  const [text, setText] = useState<string>();
  const [faults, setFaults] = useState<InputFault[]>([]);
  const [taken, setTaken] = useState(false);

  const written = async (): Promise<string> =>
    (await bringReaders()).writeTableCsv(call.diagram, part);
  const open = async (): Promise<void> => {
    setTaken(false);
    setText(await written());
  };
  const read = async (): Promise<void> => {
    const csv = text ?? '';
    const readers = await bringReaders().catch(() => undefined);
    if (!readers) return setFaults([{ path: '', message: NOT_WHOLE }]);
    const table = readers.readTableCsv(call.diagram, part, csv);
    setFaults(table.ok ? [] : table.error);
    if (!table.ok) return;
    const body = {
      callId: call.id,
      diagramVersion: call.diagramVersion,
      part: part.id,
      csv,
      phoneAt: new Date().toISOString(),
    };
    void dispatch(enqueue({ to: 'tables', id: crypto.randomUUID(), body }));
    setText(undefined);
    setTaken(true);
  };

  return (
    <View style={styles.box}>
      <View style={styles.row}>
        <Button
          icon="download"
          label="Table as CSV"
          testID="table-save"
          onPress={() => void saveTable(call.diagram, part)}
        />
        <Button
          icon="upload"
          label="Read a table"
          testID="table-open"
          onPress={() => void open()}
        />
      </View>
      {taken && (
        <Type weight="strong" tone="good" testID="table-taken">
          The table is taken; the call goes on with it.
        </Type>
      )}
      {text !== undefined && (
        <>
          <Field
            label="Paste from a spreadsheet: first column the position, then one column for each pair; closed, open or either"
            testID="table-text"
            value={text}
            onChangeText={setText}
            multiline
            numberOfLines={6}
          />
          {faults.map((fault) => (
            <Type
              key={sayInputFault(fault)}
              size="small"
              weight="strong"
              tone="bad"
              testID="table-fault"
              role="alert"
            >
              {sayInputFault(fault)}
            </Type>
          ))}
          <View style={styles.row}>
            <Button
              look="act"
              label="Take this table"
              testID="table-read"
              onPress={() => void read()}
            />
            <Button
              label="Leave it"
              testID="table-close"
              onPress={() => {
                setText(undefined);
                setFaults([]);
              }}
            />
          </View>
        </>
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  box: { gap: space.s },
  row: { flexDirection: 'row', gap: space.s, flexWrap: 'wrap' },
});
