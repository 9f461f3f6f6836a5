import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { PLUGGED_IN } from '../../../core/behaviour/useRuns';
import { drawnSetup } from '../../../core/diagram/setup';
import { sayTerminals } from '../../../core/describe/point';
import { sayPosition } from '../../../core/describe/position';
import { momentsOf } from '../../../core/describe/use';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import type { OwnReading } from './useOwnReading';
import type { Work } from './useWork';

/** Dead or live, and how controls and wires stood. */
export function OwnSetup({ work, own }: { work: Work; own: OwnReading }) {
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
          {[PLUGGED, ...momentsOf(diagram).filter(notPlugged)].map(({ steps, says }) => (
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
              disabled={own.wayRound.length === 0 || own.out}
              onPress={() => own.say({ alone: !own.alone })}
            />
            {own.part !== undefined && (
              <Button
                label={own.out ? 'Out, on the bench' : 'In its place'}
                testID="own-out"
                selected={own.out}
                onPress={() => own.say({ out: !own.out, alone: false })}
              />
            )}
            <Button
              label={own.wiggle ? 'Wires moved while read' : 'Held still'}
              testID="own-wiggle"
              selected={own.wiggle}
              onPress={() => own.say({ wiggle: !own.wiggle })}
            />
          </View>
          <Quantity work={work} own={own} />
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

/** Before anything is done with it. */
const PLUGGED = { steps: PLUGGED_IN, says: 'Plugged in' };

const notPlugged = ({ steps }: { steps: string }): boolean => steps !== PLUGGED_IN;

/** The quantity that moves the switch at hand, as it was when it was read: what it is drawn at, where nothing is said. */
function Quantity({ work, own }: { work: Work; own: OwnReading }) {
  const { quantity } = own;
  const [text, setText] = useState('');
  if (!quantity) return null;
  const drawn = drawnSetup(work.call.diagram).actuators[quantity.id];
  const usual = typeof drawn === 'object' ? drawn.value : undefined;
  const value = Number(text.trim().replace(',', '.'));
  const wrong = text.trim() !== '' && !Number.isFinite(value);
  return (
    <Field
      label={`${quantity.name} then, ${quantity.unit}${usual === undefined ? '' : `; ${usual} where nothing is said`}`}
      testID="own-quantity"
      value={text}
      inputMode="decimal"
      onChangeText={(now) => {
        setText(now);
        const said = Number(now.trim().replace(',', '.'));
        own.say({ value: now.trim() === '' || !Number.isFinite(said) ? undefined : said });
      }}
      {...(wrong && { fault: `Say it as a number of ${quantity.unit}.` })}
    />
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
