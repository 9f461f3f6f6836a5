import { useRef, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { Away, Refusal } from '../../sync/api';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import type { IconName } from '../../ui/Icon';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

/** What is asked in a form of the door; its name is the server's for it. */
interface Asked {
  name: string;
  label: string;
  kind?: 'email' | 'password' | 'new-password';
}

interface Props {
  /** Begins the test ids. */
  id: string;
  asks: readonly Asked[];
  button: { label: string; icon: IconName };
  /** Sends what was typed; what it throws is said here, and what was typed stays. */
  send: (said: Record<string, string>) => Promise<unknown>;
}

/** A form that the server answers at once: what it would not take stands beside its field. */
export function DoorForm({ id, asks, button, send }: Props) {
  const [said, setSaid] = useState<Record<string, string>>({});
  const [faults, setFaults] = useState<Record<string, string>>({});
  const [busy, setBusy] = useState(false);
  const sending = useRef(false);
  const hand = async (): Promise<void> => {
    if (sending.current) return;
    sending.current = true;
    setBusy(true);
    setFaults({});
    try {
      await send(Object.fromEntries(asks.map(({ name }) => [name, said[name] ?? ''])));
    } catch (error) {
      setFaults(faultsIn(error, asks));
    } finally {
      sending.current = false;
      setBusy(false);
    }
  };
  return (
    <View style={styles.form} testID={`${id}-form`}>
      {asks.map(({ name, label, kind }) => (
        <Field
          key={name}
          label={label}
          testID={`${id}-${name}`}
          value={said[name] ?? ''}
          onChangeText={(text) => setSaid({ ...said, [name]: text })}
          onSubmitEditing={() => void hand()}
          {...KINDS[kind ?? 'text']}
          {...(faults[name] !== undefined && { fault: faults[name] })}
        />
      ))}
      {faults[''] !== undefined && (
        <Type weight="strong" tone="bad" role="alert" testID={`${id}-refused`}>
          {faults['']}
        </Type>
      )}
      <Button
        look="act"
        icon={busy ? 'loader' : button.icon}
        label={button.label}
        testID={`${id}-send`}
        disabled={busy}
        onPress={() => void hand()}
      />
    </View>
  );
}

const KINDS = {
  text: { autoComplete: 'name' },
  email: { inputMode: 'email', autoComplete: 'email', autoCapitalize: 'none' },
  password: { secureTextEntry: true, autoComplete: 'current-password', autoCapitalize: 'none' },
  'new-password': { secureTextEntry: true, autoComplete: 'new-password', autoCapitalize: 'none' },
} as const;

/** What was said against a form, by the name of its field; what is about no field under an empty name. */
function faultsIn(error: unknown, asks: readonly Asked[]): Record<string, string> {
  if (!(error instanceof Refusal)) return { '': error instanceof Away ? AWAY : String(error) };
  const told: Record<string, string> = {};
  for (const { path, message } of error.problem.faults ?? []) {
    const name = path.slice(1);
    const field = asks.some((each) => each.name === name) ? name : '';
    told[field] ??= message;
  }
  return Object.keys(told).length ? told : { '': error.problem.title };
}

const AWAY =
  'The server does not answer, or asks you to wait. What you typed stays here: try again in a moment.';

const styles = StyleSheet.create({ form: { gap: space.m } });
