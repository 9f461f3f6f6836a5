import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallSummary } from '../../../contract/call';
import { useWho } from '../../state/hooks';
import { Refusal } from '../../sync/api';
import { eraseCustomer, exportCustomer, findCustomer } from '../../sync/door';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { saveAs } from '../../ui/saveAs';
import { sayWhen } from '../../ui/sayTime';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

/** Calls that are told one by one. */
const FIRST_CALLS = 10;

/** What the shop has of one customer: shown, given to them as a file, erased. */
export function CustomerCard({ changed }: { changed: () => void }) {
  const who = useWho();
  const [typed, setTyped] = useState('');
  const [found, setFound] = useState<{ name: string; calls: CallSummary[] }>();
  const [asked, setAsked] = useState(false);
  const [said, setSaid] = useState<{ tone: 'ink' | 'bad'; text: string }>();
  const run = async (ask: () => Promise<string | undefined>): Promise<void> => {
    setSaid(undefined);
    setAsked(false);
    try {
      const text = await ask();
      if (text !== undefined) setSaid({ tone: 'ink', text });
    } catch (error) {
      const why =
        error instanceof Refusal ? (error.problem.faults?.[0]?.message ?? error.message) : AWAY;
      setSaid({ tone: 'bad', text: why });
    }
    changed();
  };
  const find = (): void =>
    void run(async () => {
      const calls = await findCustomer(who, typed);
      setFound({ name: typed, calls });
      return calls.length ? undefined : 'No call has this name at its unit.';
    });
  const count = found?.calls.length ?? 0;
  return (
    <Card testID="customer">
      <Type weight="heavy" role="heading" aria-level={2}>
        What we have of a customer
      </Type>
      <Field
        label="Name, as it stands at the unit"
        testID="customer-name"
        value={typed}
        onChangeText={setTyped}
        onSubmitEditing={find}
        maxLength={80}
      />
      <Button icon="search" label="Find their calls" testID="customer-find" onPress={find} />
      {found && count > 0 && (
        <>
          {found.calls.slice(0, FIRST_CALLS).map(({ id, phoneAt, complaint, appliance }) => (
            <Type key={id} size="small">
              {sayWhen(new Date(phoneAt))}: {complaint}, {appliance.place}
            </Type>
          ))}
          {count > FIRST_CALLS && <Type size="small">and {count - FIRST_CALLS} more</Type>}
          <View style={styles.row}>
            <Button
              icon="download"
              label="Save as a file"
              testID="customer-export"
              onPress={() =>
                void run(async () => {
                  saveAs(
                    'customer.json',
                    'application/json',
                    await exportCustomer(who, found.name),
                  );
                  return undefined;
                })
              }
            />
            <Button
              icon="trash-2"
              label={
                asked ? `Yes, erase ${count === 1 ? 'this call' : `these ${count} calls`}` : 'Erase'
              }
              testID={asked ? 'customer-erase-sure' : 'customer-erase'}
              onPress={() =>
                asked
                  ? void run(async () => {
                      await eraseCustomer(who, found.name, count);
                      setFound(undefined);
                      return 'They are erased, with readings, photos and links.';
                    })
                  : setAsked(true)
              }
            />
          </View>
          {asked && (
            <Type size="small" tone="warn">
              Calls, readings, photos and links are gone for good; backups that were made before
              have them still.
            </Type>
          )}
        </>
      )}
      {said && (
        <Type weight="strong" tone={said.tone} role="status" testID="customer-says">
          {said.text}
        </Type>
      )}
    </Card>
  );
}

const AWAY = 'The server is away: nothing was changed.';

const styles = StyleSheet.create({ row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s } });
