import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { writeLine, withoutLine } from '../../../core/draft/edit';
import { pathsOf } from '../../../core/draft/pathsOf';
import { writePathLine, type PathLine } from '../../../core/draft/pathLine';
import type { Diagram } from '../../../core/diagram/diagram';
import { makePlace } from '../../../library/shelf/makePlace';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { focusOn } from '../../ui/focusOn';
import { Type } from '../../ui/Type';
import { radius, space, touch, useTheme } from '../../theme/theme';
import { LineKeys } from './LineKeys';
import { LineParts } from './LineParts';
import { TraceCard } from './TraceCard';

interface Props {
  diagram: Diagram;
  change: (to: Diagram) => void;
}

/** The wiring as strings of parts between two rails: typed, or tapped together. */
export function LinesPane({ diagram, change }: Props) {
  const lines = useMemo(() => pathsOf(diagram, 'name'), [diagram]);
  /** The line that is written anew; undefined for one that is new. */
  const [open, setOpen] = useState<PathLine>();
  const [tracing, trace] = useState(false);
  if (tracing) return <TraceCard diagram={diagram} change={change} done={() => trace(false)} />;
  return (
    <>
      <LineForm
        key="new"
        diagram={diagram}
        change={change}
        before={undefined}
        done={() => undefined}
      />
      {diagram.parts.length > 1 && (
        <Button
          icon="shuffle"
          label="No sheet: trace the wires by readings"
          testID="trace-open"
          onPress={() => trace(true)}
        />
      )}
      <Card testID="lines">
        <Type weight="heavy" role="heading" aria-level={2}>
          {lines.length === 0 ? 'No line yet' : `Lines, ${lines.length}`}
        </Type>
        {lines.length === 0 && (
          <Type size="small" tone="soft">
            A line goes from one rail to the other: L1 {'>'} timer A-C {'>'} high limit 1-2 {'>'}{' '}
            motor {'>'} N. Ways beside each other stand in brackets: ( heater | lamp ). A colour
            stands in the arrow: -BK{'>'}. What is known of a part stands behind it: heater [1200 W
            120 V], limit [L160-30].
          </Type>
        )}
        {lines.map((line, i) => {
          const text = writePathLine(line, false);
          const opened =
            open !== undefined && writePathLine(open, true) === writePathLine(line, true);
          return opened ? (
            <LineForm
              key={text}
              diagram={diagram}
              change={change}
              before={line}
              done={() => setOpen(undefined)}
            />
          ) : (
            <Line key={`${i} ${text}`} text={text} number={i} press={() => setOpen(line)} />
          );
        })}
      </Card>
    </>
  );
}

function Line({ text, number, press }: { text: string; number: number; press: () => void }) {
  const palette = useTheme();
  return (
    <Pressable
      role="button"
      accessibilityLabel={`Change the line ${text}`}
      testID={`line-${number}`}
      onPress={press}
      style={[styles.line, { borderColor: palette.line }]}
    >
      <Type style={styles.grow}>{text}</Type>
    </Pressable>
  );
}

/** A line as it is typed. It is taken whole or not at all; what is wrong is told by its place. */
function LineForm({
  diagram,
  change,
  before,
  done,
}: Props & { before: PathLine | undefined; done: () => void }) {
  const name = before ? 'line-text' : 'new-line';
  const label = before ? 'The line' : 'A new line, from rail to rail';
  const [text, setText] = useState(before ? writePathLine(before, false) : '');
  const [fault, setFault] = useState<string>();
  const take = (): void => {
    if (!text.trim()) return setFault('Type a line first: L1 > timer A-C > motor > N.');
    const written = writeLine(diagram, text, before, makePlace);
    if (!written.ok) {
      const { column, message } = written.error;
      return setFault(`At letter ${column}: ${message}.`);
    }
    setFault(undefined);
    setText('');
    change(written.value);
    done();
    if (!before) focusOn(name);
  };
  return (
    <Card testID={before ? 'line-form' : 'new-line-form'}>
      <Field
        label={label}
        testID={name}
        value={text}
        onChangeText={setText}
        onSubmitEditing={take}
        multiline
        numberOfLines={2}
        submitBehavior="submit"
        autoCapitalize="none"
        autoCorrect={false}
        {...(fault !== undefined && { fault })}
      />
      <LineKeys diagram={diagram} of={label} text={text} write={setText} />
      {before && <LineParts text={text} write={setText} />}
      <View style={styles.row}>
        <Button
          look="act"
          icon="check"
          label={before ? 'Keep it' : 'Add the line'}
          testID={`${name}-take`}
          onPress={take}
          style={styles.grow}
        />
        {before && (
          <>
            <Button
              icon="trash-2"
              label="Take its wires out"
              testID="line-remove"
              onPress={() => {
                change(withoutLine(diagram, before));
                done();
              }}
            />
            <Button icon="x" label="Cancel" testID="line-cancel" onPress={done} />
          </>
        )}
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  line: {
    minHeight: touch.button,
    borderWidth: 1,
    borderRadius: radius.medium,
    padding: space.m,
    justifyContent: 'center',
  },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1, flexShrink: 1 },
});
