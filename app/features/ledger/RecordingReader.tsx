import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { ContactEvent } from '../../../core/call/orderSeen';
import { orderFrom, wentOver, type Recording } from '../../../core/call/recording';
import { sayContact } from '../../../core/describe/eventOrder';
import type { Diagram } from '../../../core/diagram/diagram';
import type { ExpectedEvent } from '../../../core/plan/eventOrder';
import { sayInputFault } from '../../../contract/problem';
import { bringReaders, NOT_WHOLE } from '../../sync/readers';
import { FileButton } from '../../ui/FileButton';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

interface Props {
  diagram: Diagram;
  expected: readonly ExpectedEvent[];
  /** Hears the order of all of them, once recordings have shown it. */
  seen: (events: ContactEvent[]) => void;
}

const keyOf = ({ part, contact }: ContactEvent): string => `${part} ${contact}`;

/** The order as a meter or recorder with two channels or more has written it; two of three at a time come to the whole. */
export function RecordingReader({ diagram, expected, seen }: Props) {
  const [recording, setRecording] = useState<Recording>();
  /** Which contact each channel is on. */
  const [on, setOn] = useState<Record<string, string>>({});
  const [orders, setOrders] = useState<string[][]>([]);
  const [says, setSays] = useState<{ text: string; tone: 'bad' | 'ink' }>();
  const named = (key: string): string => {
    const event = expected.find((each) => keyOf(each) === key);
    return event ? sayContact(diagram, event) : key;
  };
  const take = (whole: Recording, channels: Record<string, string>): void => {
    const order = wentOver(whole);
    if (!order.ok) return setSays({ text: `${order.error}.`, tone: 'bad' });
    const keys = order.value.flatMap(({ name }) => channels[name] ?? []);
    const all = orderFrom(expected.map(keyOf), [...orders, keys]);
    if (!all.ok)
      return setSays({
        text: `${named(all.error[0])} came before ${named(all.error[1])} in one recording and after it in another: record both again.`,
        tone: 'bad',
      });
    setOrders([...orders, keys]);
    setRecording(undefined);
    setSays({
      text: `${keys.map(named).join(', then ')}.${all.value ? '' : ' Record the others beside one of these.'}`,
      tone: 'ink',
    });
    if (all.value)
      seen(
        all.value.flatMap((key) => {
          const event = expected.find((each) => keyOf(each) === key);
          return event ? [{ part: event.part, contact: event.contact }] : [];
        }),
      );
  };
  const open = async (file: File): Promise<void> => {
    const readers = await bringReaders().catch(() => undefined);
    const read = readers?.readRecordingCsv(await file.text());
    if (!read?.ok) {
      const [first] = read?.error ?? [];
      return setSays({ text: first ? sayInputFault(first) : NOT_WHOLE, tone: 'bad' });
    }
    const channels = Object.fromEntries(
      read.value.channels.flatMap(({ name }) => {
        const event = expected.find((each) => isCalled(diagram, each, name));
        return event ? [[name, keyOf(event)]] : [];
      }),
    );
    setSays(undefined);
    setOn(channels);
    if (isWhole(read.value, channels)) take(read.value, channels);
    else setRecording(read.value);
  };
  return (
    <View style={styles.all}>
      <FileButton
        icon="upload"
        label="Read a recording of two channels or more"
        testID="read-recording"
        field={{
          testID: 'recording-file',
          name: 'A recording as CSV: seconds, then ohms of each channel',
          accept: '.csv,text/csv',
        }}
        chosen={(file) => void open(file)}
      />
      {recording?.channels.map(({ name }, i) => (
        <View key={name} style={styles.channel}>
          <Type weight="strong">Channel “{name}” is on</Type>
          <OneOf
            label={`Channel ${name} is on`}
            choices={expected.map((event) => ({
              id: keyOf(event),
              label: sayContact(diagram, event),
              testID: `channel-${i}-${event.part}`,
            }))}
            chosen={on[name]}
            choose={(key) => {
              const channels = { ...on, [name]: key };
              setOn(channels);
              if (isWhole(recording, channels)) take(recording, channels);
            }}
          />
        </View>
      ))}
      {says && (
        <Type
          weight="strong"
          tone={says.tone}
          role={says.tone === 'bad' ? 'alert' : undefined}
          testID="recording-says"
        >
          {says.text}
        </Type>
      )}
    </View>
  );
}

/** Whether a channel goes by a contact's name, or by its part's. */
const isCalled = (diagram: Diagram, event: ExpectedEvent, channel: string): boolean =>
  [keyOf(event), `${event.part}.${event.contact}`, event.part, sayContact(diagram, event)].some(
    (each) => each.toLowerCase() === channel.toLowerCase(),
  );

/** Each channel on a contact of its own. */
const isWhole = ({ channels }: Recording, on: Record<string, string>): boolean => {
  const keys = channels.flatMap(({ name }) => on[name] ?? []);
  return keys.length === channels.length && new Set(keys).size === keys.length;
};

const styles = StyleSheet.create({
  all: { gap: space.s },
  channel: { gap: space.xs },
});
