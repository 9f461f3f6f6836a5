import { useEffect, useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { marked, sayPoints } from '../../../core/describe/point';
import { sayTraceSetup } from '../../../core/describe/trace';
import { keepWireIds } from '../../../core/draft/addPath';
import type { TraceReading, TraceShows, Traced } from '../../../core/draft/fieldTrace';
import { colourCode } from '../../../core/draft/pathLine';
import type { EndSeen } from '../../../core/draft/wireMatching';
import type { Diagram, TerminalRef, Wire } from '../../../core/diagram/diagram';
import { owners, terminalRef } from '../../../core/diagram/terminal';
import { keepSetting, keptSetting } from '../../sync/device';
import { traceKey } from '../../sync/keptDrafts';
import { useTraced } from '../../workers/draft';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { Answers } from './Answers';
import { LateField } from './LateField';

interface Props {
  diagram: Diagram;
  change: (to: Diagram) => void;
  done: () => void;
}

/** What was found of a unit without a sheet: the colours at each terminal, and what was read. */
interface Trace {
  colours: Record<TerminalRef, string[]>;
  readings: TraceReading[];
}
const NOTHING: Trace = { colours: {}, readings: [] };

const ANSWERS: Record<TraceShows, string> = {
  closed: 'Near zero',
  load: 'Some ohms',
  open: 'OL',
};

/** No sheet: the wires are found by their colours and by readings, each the one that tells most. */
export function TraceCard({ diagram, change, done }: Props) {
  const [trace, setTrace] = useTrace(diagram.id);
  const [reading, setReading] = useState(false);
  const ends = useMemo(() => endsOf(trace.colours), [trace.colours]);
  return (
    <Card testID="trace">
      <Type weight="heavy" role="heading" aria-level={2}>
        No sheet: trace it
      </Type>
      <Type size="small" tone="soft">
        First the parts, with their terminals, contacts and tables. Then the colour of every wire at
        each terminal. What belongs together is found by few readings, everything dead.
      </Type>
      {!reading ? (
        <>
          {owners(diagram).map(({ id, name, terminals }) => (
            <View key={id} style={styles.part}>
              {terminals.map((terminal) => {
                const ref = terminalRef(id, terminal.id);
                return (
                  <LateField
                    key={ref}
                    label={`${name} ${marked(diagram, ref)}: colours of its wires`}
                    testID={`ends-${ref}`}
                    value={(trace.colours[ref] ?? []).join(', ')}
                    take={(text) => {
                      const typed = text.split(/[,;\s]+/).filter(Boolean);
                      const codes = typed.flatMap((each) => colourCode(each) ?? []);
                      if (codes.length < typed.length)
                        return 'Colours with commas: BK, WH-RD, blue.';
                      setTrace({ readings: [], colours: { ...trace.colours, [ref]: codes } });
                      return undefined;
                    }}
                  />
                );
              })}
            </View>
          ))}
          <View style={styles.row}>
            <Button
              look="act"
              icon="activity"
              label={`Read, ${ends.length} wire ends`}
              testID="trace-read"
              disabled={ends.length < 2}
              onPress={() => setReading(true)}
              style={styles.grow}
            />
            <Button icon="x" label="Close" testID="trace-close" onPress={done} />
          </View>
        </>
      ) : (
        <Reading
          diagram={diagram}
          ends={ends}
          readings={trace.readings}
          read={(readings) => setTrace({ ...trace, readings })}
          back={() => setReading(false)}
          take={(traced) => {
            change(withWires(diagram, traced));
            done();
          }}
        />
      )}
    </Card>
  );
}

/** One reading after the other, until nothing tells the structures apart that still fit. */
function Reading({
  diagram,
  ends,
  readings,
  read,
  back,
  take,
}: {
  diagram: Diagram;
  ends: readonly EndSeen[];
  readings: TraceReading[];
  read: (readings: TraceReading[]) => void;
  back: () => void;
  take: (traced: Traced) => void;
}) {
  const traced = useTraced(diagram, ends, readings);
  const [skipped, skip] = useState(0);
  const test = traced?.tests[skipped] ?? traced?.tests[0];
  const enter = (shows: TraceShows): void => {
    if (!test) return;
    skip(0);
    read([...readings, { from: test.from, to: test.to, at: test.at, shows }]);
  };
  const sure = traced?.wires.filter((each) => each.sure).length ?? 0;
  return (
    <>
      <Type size="small" aria-live="polite" testID="trace-standing">
        {!traced
          ? 'Working out what fits…'
          : traced.contradiction
            ? `These ${readings.length} readings do not go together, or a part is not as it was entered.`
            : `${readings.length} read; ${traced.counted ? traced.fits : `at least ${traced.fits}`} ${traced.fits === 1 ? 'wiring fits' : 'wirings fit'}; ${sure} of ${traced.wires.length} wires are sure.`}
      </Type>
      {test && (
        <>
          <Type weight="strong" testID="trace-next">
            {sayPoints(diagram, test.from, test.to)}
          </Type>
          <Type size="small" testID="trace-setup">
            {sayTraceSetup(diagram, test.at)}
          </Type>
          <Answers of="trace" labels={ANSWERS} enter={enter} />
          {(traced?.tests.length ?? 0) > skipped + 1 && (
            <Button
              look="bare"
              icon="shuffle"
              label="Another reading"
              testID="trace-another"
              onPress={() => skip(skipped + 1)}
            />
          )}
        </>
      )}
      {traced && !test && !traced.contradiction && (
        <Type weight="strong" tone="good" testID="trace-clear">
          {traced.fits === 1
            ? 'The wiring is clear.'
            : `No reading tells the last ${traced.fits} wirings apart: what they differ in is marked as guessed.`}
        </Type>
      )}
      <View style={styles.row}>
        {traced && !traced.contradiction && (
          <Button
            look={test ? 'quiet' : 'act'}
            icon="check"
            label={test ? 'Enough: the rest is guessed' : 'Put the wires in'}
            testID="trace-take"
            onPress={() => take(traced)}
          />
        )}
        {readings.length > 0 && (
          <Button
            icon="corner-up-left"
            label="Last one again"
            testID="trace-again"
            onPress={() => read(readings.slice(0, -1))}
          />
        )}
        <Button icon="arrow-left" label="Colours" testID="trace-back" onPress={back} />
      </View>
    </>
  );
}

const endsOf = (colours: Trace['colours']): EndSeen[] =>
  Object.entries(colours).flatMap(([at, codes]) =>
    codes.map((colour): EndSeen => ({ at: at as TerminalRef, colour })),
  );

/** The draft with the wires of a structure more: what all have that fit is proved, the rest is guessed. */
function withWires(draft: Diagram, { wires }: Traced): Diagram {
  const traced = wires.map(({ sure, ...wire }): Wire => ({
    ...wire,
    known: sure ? 'proved' : 'guessed',
  }));
  return { ...draft, wires: keepWireIds(draft.wires, [...draft.wires, ...traced]) };
}

/** A trace as the device keeps it, so that a page may be killed in the middle. */
function useTrace(id: string): [Trace, (to: Trace) => void] {
  const [trace, setTrace] = useState(NOTHING);
  const key = traceKey(id);
  useEffect(() => {
    let wanted = true;
    void keptSetting(key).then((kept) => {
      if (wanted && kept) setTrace(kept as Trace);
    });
    return () => {
      wanted = false;
    };
  }, [key]);
  return [
    trace,
    (to) => {
      setTrace(to);
      void keepSetting(key, to);
    },
  ];
}

const styles = StyleSheet.create({
  part: { gap: space.xs },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
