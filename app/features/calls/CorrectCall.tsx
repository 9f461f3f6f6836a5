import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { diagramKey, loadDiagram, loadDiagrams, ofDiagramKey } from '../../state/diagrams';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { useLog } from '../../state/useLog';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { FormFaults } from '../../ui/FormFaults';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { DiagramChoice } from './DiagramChoice';
import { bringReaders, NOT_WHOLE } from '../../sync/readers';

const FIELDS = [
  ['complaint', 'What the unit does or does not do'],
  ['make', 'Make'],
  ['model', 'Model'],
  ['place', 'Where it stands'],
  ['customer', 'Customer, if there is one'],
] as const;
type Name = (typeof FIELDS)[number][0];
const DIAGRAM = ['diagram', 'Diagram'] as const;
const NOT_AT_HAND =
  'Choose a diagram that this device has: this one comes with the next word of the server.';

/** Puts right what was written down of the unit; what was said first stays in the log. */
export function CorrectCall({ call, done }: { call: CallDetail; done: () => void }) {
  const log = useLog(call.id);
  const before: Record<Name, string> = {
    complaint: call.complaint,
    make: call.appliance.make,
    model: call.appliance.model,
    place: call.appliance.place,
    customer: call.appliance.customer ?? '',
  };
  const [form, setForm] = useState(before);
  const dispatch = useAppDispatch();
  const { bodies } = useAppSelector((state) => state.diagrams);
  useEffect(() => {
    void dispatch(loadDiagrams());
  }, [dispatch]);
  const worked = diagramKey(call.diagramId, call.diagramVersion);
  const [diagram, setDiagram] = useState(worked);
  const choose = (key: string): void => {
    setDiagram(key);
    const wanted = ofDiagramKey(key);
    if (wanted) void dispatch(loadDiagram(wanted));
  };
  const [faults, setFaults] = useState<Partial<Record<string, string>>>({});
  const [handedIn, setHandedIn] = useState(0);
  const keep = async (): Promise<void> => {
    setHandedIn(handedIn + 1);
    const another = diagram !== worked;
    const chosen = ofDiagramKey(diagram);
    if (!chosen) return setFaults({ diagram: 'Choose the diagram that the unit is worked with.' });
    if (another && !bodies[diagram]) return setFaults({ diagram: NOT_AT_HAND });
    const changed = {
      ...Object.fromEntries(
        FIELDS.flatMap(([name]) =>
          form[name].trim() === before[name] ? [] : [[name, form[name].trim()]],
        ),
      ),
      ...(another && { diagramId: chosen.id, diagramVersion: chosen.version }),
    };
    if (Object.keys(changed).length === 0) return done();
    const readers = await bringReaders().catch(() => undefined);
    if (!readers) return setFaults({ complaint: NOT_WHOLE });
    const read = readers.readDto(readers.CorrectionBody, changed);
    if (!read.ok)
      return setFaults(
        Object.fromEntries(read.error.map(({ path, message }) => [path.slice(1), message])),
      );
    log('correction', changed);
    done();
  };
  return (
    <Card testID="correct-call">
      <Type weight="heavy" role="heading" aria-level={2}>
        As it should have been written
      </Type>
      <FormFaults
        handedIn={handedIn}
        faults={[...FIELDS, DIAGRAM].flatMap(([of, label]) => {
          const says = faults[of];
          const field = of === 'diagram' ? 'diagram-search' : `correct-${of}`;
          return says === undefined ? [] : [{ name: label, says, field }];
        })}
      />
      {FIELDS.map(([name, label]) => {
        const fault = faults[name];
        return (
          <Field
            key={name}
            label={label}
            testID={`correct-${name}`}
            value={form[name]}
            onChangeText={(text) => setForm({ ...form, [name]: text })}
            {...(name === 'complaint' && { multiline: true })}
            {...(fault !== undefined && { fault })}
          />
        );
      })}
      <DiagramChoice complaint={form.complaint} chosen={diagram} choose={choose} />
      {diagram !== worked && (
        <Type size="small" testID="correct-diagram-means">
          The call goes on with it. What was read and told stays in the log; what the new diagram
          does not have is set aside there, with the reason.
        </Type>
      )}
      {faults.diagram !== undefined && (
        <Type weight="strong" tone="bad" testID="correct-diagram-fault">
          {faults.diagram}
        </Type>
      )}
      <View style={styles.row}>
        <Button
          look="act"
          icon="check"
          label="Correct it"
          testID="correct-keep"
          onPress={keep}
          style={styles.grow}
        />
        <Button icon="x" label="Cancel" testID="correct-cancel" onPress={done} />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
