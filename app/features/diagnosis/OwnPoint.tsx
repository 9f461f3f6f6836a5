import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { TerminalRef } from '../../../core/diagram/diagram';
import { owners, terminalRef, wireEnd } from '../../../core/diagram/terminal';
import { sayPoint } from '../../../core/describe/point';
import { PointSearch } from '../../search/pointSearch';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { space } from '../../theme/theme';
import type { OwnReading } from './useOwnReading';
import type { Work } from './useWork';

/** A point by typing part and terminal, or by tapping first the one, then the other. */
export function OwnPoint({ work, own }: { work: Work; own: OwnReading }) {
  const { diagram } = work.call;
  const [typed, setTyped] = useState('');
  const [chosen, setChosen] = useState<string>();
  const [all, setAll] = useState(false);
  // The wire's end is another point than the terminal that it was pulled off.
  const [end, setEnd] = useState(false);
  const search = useMemo(() => new PointSearch(diagram), [diagram]);
  const found = search.find(typed);
  const suspects = (work.findings?.suspects ?? []).flatMap(({ id }) => id ?? []);
  const readable = owners(diagram).filter(({ terminals }) => terminals.length > 0);
  const shown = found.length
    ? found.map(({ part }) => part)
    : readable.filter(({ id }) => all || !suspects.length || suspects.includes(id));
  const open = readable.find(({ id }) => id === (chosen ?? found[0]?.part.id));
  const take = (points: TerminalRef[]): void => {
    setTyped('');
    setChosen(undefined);
    const [first] = own.points;
    own.say({ points: first === undefined ? points : [first, ...points].slice(0, 2) });
  };
  const named = found[0]?.points ?? [];
  return (
    <>
      <Field
        label="Part and terminals, such as: lid switch a1 a2"
        testID="own-where"
        value={typed}
        onChangeText={(text) => {
          setTyped(text);
          setChosen(undefined);
        }}
        onSubmitEditing={() => named.length > 0 && take(named)}
      />
      {named.length > 0 && (
        <Button
          look="act"
          icon="check"
          label={named.map((ref) => sayPoint(diagram, ref)).join(' and ')}
          testID="own-named"
          onPress={() => take(named)}
        />
      )}
      <View style={styles.row}>
        {shown.map(({ id, name }) => (
          <Button
            key={id}
            label={name}
            testID={`own-part-${id}`}
            selected={id === open?.id}
            onPress={() => setChosen(id)}
          />
        ))}
        {!all && suspects.length > 0 && found.length === 0 && (
          <Button label="All parts" testID="own-all" onPress={() => setAll(true)} />
        )}
      </View>
      {open && (
        <View style={styles.row}>
          {open.terminals.map(({ id, label }) => (
            <Button
              key={id}
              label={label ?? id}
              hint={sayPoint(diagram, terminalRef(open.id, id))}
              testID={`own-at-${open.id}.${id}`}
              onPress={() => {
                const at = terminalRef(open.id, id);
                own.point(end ? wireEnd(at) : at);
                setEnd(false);
              }}
              style={styles.terminal}
            />
          ))}
        </View>
      )}
      {open && (
        <Button
          label={end ? 'On the wire that is pulled off there' : 'On the terminal itself'}
          testID="own-end"
          selected={end}
          onPress={() => setEnd(!end)}
        />
      )}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  terminal: { minWidth: 60, minHeight: 60 },
});
