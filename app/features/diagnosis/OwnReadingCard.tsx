import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { TerminalRef } from '../../../core/diagram/diagram';
import { drawnSetup } from '../../../core/diagram/setup';
import { owners, terminalRef } from '../../../core/diagram/terminal';
import { sayPoint, sayTerminals } from '../../../core/describe/point';
import { sayPosition } from '../../../core/describe/position';
import { momentsOf } from '../../../core/describe/use';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { PointSearch } from '../../search/pointSearch';
import { ExpectedOfOwn } from './ExpectedOfOwn';
import type { OwnReading } from './useOwnReading';
import type { Work } from './useWork';

/** "I read something else": two points, and how everything stood. */
export function OwnReadingCard({
  work,
  own,
  done,
}: {
  work: Work;
  own: OwnReading;
  done: () => void;
}) {
  const { diagram } = work.call;
  const [from, to] = own.points;
  return (
    <Card testID="own-reading">
      <Type weight="heavy" role="heading" aria-level={2}>
        What did you read?
      </Type>
      <View style={styles.row}>
        <Button
          label={from === undefined ? 'Red: where?' : `Red: ${sayPoint(diagram, from)}`}
          testID="own-red"
          selected={from === undefined}
          onPress={() => own.say({ points: to === undefined ? [] : [to] })}
        />
        <Button
          label={to === undefined ? 'Black: where?' : `Black: ${sayPoint(diagram, to)}`}
          testID="own-black"
          selected={from !== undefined && to === undefined}
          onPress={() => own.say({ points: from === undefined ? [] : [from] })}
        />
      </View>
      {to === undefined && <Where work={work} own={own} />}
      {to !== undefined && (
        <>
          <ExpectedOfOwn work={work} own={own} />
          <How work={work} own={own} />
        </>
      )}
      <Button
        icon="x"
        label="Cancel"
        testID="own-cancel"
        onPress={() => {
          own.forget();
          done();
        }}
      />
    </Card>
  );
}

/** A point by typing part and terminal, or by tapping first the one, then the other. */
function Where({ work, own }: { work: Work; own: OwnReading }) {
  const { diagram } = work.call;
  const [typed, setTyped] = useState('');
  const [chosen, setChosen] = useState<string>();
  const [all, setAll] = useState(false);
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
              onPress={() => own.point(terminalRef(open.id, id))}
              style={styles.terminal}
            />
          ))}
        </View>
      )}
    </>
  );
}

/** Dead or live, and how controls and wires stood. */
function How({ work, own }: { work: Work; own: OwnReading }) {
  const { diagram } = work.call;
  const drawn = drawnSetup(diagram);
  const moment = momentsOf(diagram).at(-1)?.steps;
  const controls = diagram.actuators.filter(
    (each) => each.kind === 'hand' || each.kind === 'momentary',
  );
  return (
    <>
      <View style={styles.row}>
        <Button
          label="Dead: ohms, beeper"
          testID="own-dead"
          selected={own.live === undefined}
          onPress={() => own.say({ live: undefined })}
        />
        <Button
          label="Live: volts"
          testID="own-live"
          selected={own.live !== undefined}
          onPress={() => own.say({ live: own.live ?? moment })}
        />
      </View>
      {own.live !== undefined ? (
        <View style={styles.row}>
          {momentsOf(diagram).map(({ steps, says }) => (
            <Button
              key={steps}
              label={says}
              testID={`own-moment-${steps}`}
              selected={own.live === steps}
              onPress={() => own.say({ live: steps })}
            />
          ))}
        </View>
      ) : (
        <>
          <Type size="small" tone="soft">
            Tap what stood otherwise, until it says how
          </Type>
          <View style={styles.row}>
            {controls.map(({ id, positions }) => {
              const at = own.moved[id] ?? drawn.actuators[id];
              const place = positions.findIndex((each) => each.id === at);
              const next = positions[(place + 1) % positions.length];
              return (
                <Button
                  key={id}
                  icon="refresh-cw"
                  label={sayPosition(diagram, id, String(at))}
                  testID={`own-control-${id}`}
                  selected={at !== drawn.actuators[id]}
                  onPress={() => next && own.say({ moved: { ...own.moved, [id]: next.id } })}
                />
              );
            })}
          </View>
          <View style={styles.row}>
            <Button
              label={
                own.alone && own.wayRound.length
                  ? `Wires off ${sayTerminals(diagram, own.wayRound)}`
                  : 'Wires on'
              }
              testID="own-alone"
              selected={own.alone}
              disabled={own.wayRound.length === 0}
              onPress={() => own.say({ alone: !own.alone })}
            />
            <Button
              label={own.wiggle ? 'Wires moved while read' : 'Held still'}
              testID="own-wiggle"
              selected={own.wiggle}
              onPress={() => own.say({ wiggle: !own.wiggle })}
            />
          </View>
          {own.positions.length > 0 && (
            <View style={styles.row}>
              {own.positions.map((position) => (
                <Button
                  key={position}
                  label={`Held by hand: ${sayPosition(diagram, own.part ?? '', position)}`}
                  testID={`own-hand-${position}`}
                  selected={own.byHand === position}
                  onPress={() =>
                    own.say({ byHand: own.byHand === position ? undefined : position })
                  }
                />
              ))}
            </View>
          )}
        </>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  terminal: { minWidth: 60, minHeight: 60 },
});
