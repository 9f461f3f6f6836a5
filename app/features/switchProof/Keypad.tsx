import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { DisplayProblem } from '../../../core/meter/display';
import { sayDisplay } from '../../../core/describe/display';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import type { KeyHint } from '../../ui/KeysCard';
import { Type } from '../../ui/Type';
import { useKeys } from '../../ui/useKeys';
import { radius, space, useTheme } from '../../theme/theme';
import { PadKey, type KeypadKey } from './PadKey';

interface Props {
  /** Which reading it is for: what was typed for another is gone. */
  reading: string;
  enter: (said: string) => DisplayProblem | undefined;
  /** Letters of the keyboard are shown on the keys. */
  letters: boolean;
  /** Ohms and beeps, or the volts of a live reading. */
  measures?: 'ohms' | 'volts';
  /** False while it is kept out of sight with what was typed on it. */
  active?: boolean;
  /** True until it is known what is read next: it stays where it is and takes nothing. */
  busy?: boolean;
  /** The range that the dial of a manual meter is on, and what says that it was turned. */
  dial?: { range: { name: string }; turn: () => void };
}

/** What the keys of a keyboard enter. */
export const ENTRY_KEYS: readonly KeyHint[] = [
  ['0–9 .', 'what the meter shows'],
  ['Enter', 'the number in Ω, of a live reading in V'],
  ['K M', 'the number in kΩ or MΩ, of a live reading M in mV'],
  ['B S', 'it beeps, it stays silent'],
  ['O L', 'OL, a lone 1 at the left'],
  ['J', 'it jumps'],
  ['N', 'of a live reading: nothing, 0 V'],
  ['W', 'writes it in words'],
];

const MOST_DIGITS = 8;

/** What the meter showed: one tap for a word, digits and then the unit for a number. */
export function Keypad({
  reading,
  enter,
  letters,
  measures = 'ohms',
  active = true,
  busy = false,
  dial,
}: Props) {
  const palette = useTheme();
  const [typed, setTyped] = useState('');
  const [inWords, setInWords] = useState(false);
  const [problem, setProblem] = useState<DisplayProblem>();
  // Emptied, not made anew: making twenty keys takes longer than all else that a reading changes.
  const [typedFor, setTypedFor] = useState(reading);
  if (typedFor !== reading) {
    setTypedFor(reading);
    setTyped('');
    setInWords(false);
    setProblem(undefined);
  }

  const say = (said: string): void => {
    if (busy) return;
    const refused = enter(said);
    setProblem(refused);
    if (refused) return;
    setTyped('');
    setInWords(false);
  };
  const digit = (character: string) => (): void => {
    setProblem(undefined);
    setTyped((before) =>
      before.length < MOST_DIGITS && !(character === '.' && before.includes('.'))
        ? before + character
        : before,
    );
  };
  const unit = (suffix: string) => (): void => {
    if (typed) say(`${typed}${suffix}`);
    else setProblem({ kind: 'unreadable', message: 'Type the number first, then its unit.' });
  };
  const number = (label: string): KeypadKey => ({
    id: label === '.' ? 'point' : label,
    label,
    letter: label,
    press: digit(label),
  });
  const words: KeypadKey[] =
    measures === 'volts'
      ? [{ id: 'none', label: 'Nothing: 0 V', letter: 'n', press: () => say('0 V'), tone: 'word' }]
      : [
          { id: 'beep', label: 'Beep', letter: 'b', press: () => say('beep'), tone: 'word' },
          { id: 'silent', label: 'Silent', letter: 's', press: () => say('silent'), tone: 'word' },
          { id: 'over', label: 'OL', letter: 'o', press: () => say('OL'), tone: 'word' },
          { id: 'lone-one', label: 'Lone 1', letter: 'l', press: () => say('1 .'), tone: 'word' },
          { id: 'jumps', label: 'Jumps', letter: 'j', press: () => say('jumps'), tone: 'word' },
        ];
  const units: KeypadKey[] =
    measures === 'volts'
      ? [
          { id: 'millivolt', label: 'mV', letter: 'm', press: unit(' mV'), tone: 'unit' },
          { id: 'volt', label: 'V', letter: 'Enter', press: unit(' V'), tone: 'unit' },
        ]
      : [
          { id: 'megohm', label: 'MΩ', letter: 'm', press: unit('M'), tone: 'unit' },
          { id: 'kilohm', label: 'kΩ', letter: 'k', press: unit('k'), tone: 'unit' },
          { id: 'ohm', label: 'Ω', letter: 'Enter', press: unit(' ohm'), tone: 'unit' },
        ];
  const back: KeypadKey = {
    id: 'back',
    label: 'Delete',
    letter: 'Backspace',
    press: () => setTyped((before) => before.slice(0, -1)),
  };
  const rows: KeypadKey[][] = [
    words,
    [number('7'), number('8'), number('9'), back, ...units.slice(0, -2)],
    [number('4'), number('5'), number('6'), number('0'), ...units.slice(-2, -1)],
    [number('1'), number('2'), number('3'), number('.'), ...units.slice(-1)],
  ];
  useKeys(
    {
      ...Object.fromEntries(rows.flat().map((key) => [key.letter, key.press])),
      ',': digit('.'),
      w: () => setInWords(true),
    },
    active && !busy,
  );

  return (
    <View
      style={[styles.pad, { backgroundColor: palette.sunk }, busy && styles.busy]}
      testID="keypad"
      aria-busy={busy}
    >
      {problem && <Problem problem={problem} say={say} dismiss={() => setProblem(undefined)} />}
      {inWords ? (
        <InWords say={say} close={() => setInWords(false)} />
      ) : (
        <View style={styles.typed}>
          <Type size="small" tone="soft" style={styles.grow}>
            {typed ? 'Now its unit' : 'What does the meter show?'}
          </Type>
          {dial && (
            <Button
              look="bare"
              label={`dial ${dial.range.name}`}
              hint={`The dial is on ${dial.range.name}; say that it is on the next`}
              testID="dial"
              onPress={dial.turn}
            />
          )}
          <Type size="title" weight="mono" testID="typed">
            {typed}
          </Type>
          <Pressable
            accessibilityRole="button"
            accessibilityLabel="Write it in words"
            testID="write"
            onPress={() => setInWords(true)}
            style={styles.words}
          >
            <Type size="small" weight="strong" style={styles.underline}>
              in words
            </Type>
          </Pressable>
        </View>
      )}
      {rows.map((row, i) => (
        <View key={i} style={styles.row}>
          {row.map((key) => (
            <PadKey
              key={key.id}
              of={key}
              letters={letters}
              waiting={key.tone === 'unit' && typed !== ''}
            />
          ))}
        </View>
      ))}
    </View>
  );
}

/** What was shown, written out; the keys are not drawn anew with every letter. */
function InWords({ say, close }: { say: (said: string) => void; close: () => void }) {
  const [written, setWritten] = useState('');
  return (
    <View style={styles.written}>
      <View style={styles.grow}>
        <Field
          label="What the meter showed, in your words"
          testID="written"
          value={written}
          onChangeText={setWritten}
          onSubmitEditing={() => say(written)}
          autoFocus
        />
      </View>
      <Button label="Enter" testID="written-enter" onPress={() => say(written)} />
      <Button look="bare" label="Keys" testID="written-close" onPress={close} />
    </View>
  );
}

function Problem({
  problem,
  say,
  dismiss,
}: {
  problem: DisplayProblem;
  say: (said: string) => void;
  dismiss: () => void;
}) {
  const palette = useTheme();
  if (problem.kind === 'unreadable') {
    return (
      <Type weight="strong" tone="bad" testID="entry-fault" role="alert">
        {problem.message}
      </Type>
    );
  }
  return (
    <View
      style={[styles.problem, { backgroundColor: palette.warnGround }]}
      testID="entry-question"
      role="alert"
    >
      <Type weight="strong">{problem.question}</Type>
      {problem.choices.map(({ label, display }) => (
        <Button
          key={label}
          label={label}
          testID={`choice-${display.kind}`}
          onPress={() => say(display.kind === 'ohms' ? `${display.ohms} ohm` : sayDisplay(display))}
        />
      ))}
      <Button look="bare" label="Neither" testID="choice-none" onPress={dismiss} />
    </View>
  );
}

const styles = StyleSheet.create({
  busy: { pointerEvents: 'none' },
  pad: { padding: space.s, gap: 6 },
  typed: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    minHeight: 32,
    paddingHorizontal: space.xs,
  },
  written: { flexDirection: 'row', alignItems: 'flex-end', gap: space.s },
  // As high as a thumb, in a row that leaves the card its room.
  words: { minHeight: 44, minWidth: 44, marginVertical: -6, justifyContent: 'center' },
  underline: { textDecorationLine: 'underline' },
  grow: { flex: 1 },
  row: { flexDirection: 'row', gap: 6 },
  problem: { borderRadius: radius.medium, padding: space.m, gap: space.s },
});
