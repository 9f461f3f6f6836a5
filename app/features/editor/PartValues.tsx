import { StyleSheet, View } from 'react-native';
import { changePart } from '../../../core/draft/changePart';
import { putBehind } from '../../../core/draft/editAround';
import type {
  Diagram,
  LoadElement,
  LoadPart,
  Part,
  SwitchPart,
} from '../../../core/diagram/diagram';
import { about } from '../../../library/shelf/loads';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { LateField, positive } from './LateField';

interface Props<P extends Part = Part> {
  diagram: Diagram;
  part: P;
  change: (to: Diagram) => void;
}

const ABOVE_ZERO = 'A number above zero.';
/** How far a plate's watts and a good winding's ohms may be off: common practice. */
const PERCENT = { plate: 8, ohms: 15 };

/** What is printed on a part, or read of a good one; and where it sits. */
export function PartValues({ diagram, part, change }: Props) {
  const put = (fields: Partial<Part>): void =>
    change(changePart(diagram, part.id, (each) => ({ ...each, ...fields }) as Part));
  return (
    <>
      {part.kind === 'load' &&
        part.elements.map((element) => (
          <Element
            key={element.id}
            diagram={diagram}
            part={part}
            element={element}
            change={change}
          />
        ))}
      {part.kind === 'protector' && (
        <LateField
          label="What is printed on it: 15 A, 196 °F one shot"
          testID="part-rating"
          value={part.rating}
          take={(rating) => {
            const amps = positive(/^([\d.,]+)\s*A\b/i.exec(rating)?.[1] ?? '');
            put({ rating: rating || 'not noted', ...(amps !== undefined && { amps }) });
            return undefined;
          }}
        />
      )}
      {part.kind === 'switch' && <SetPoints diagram={diagram} part={part} change={change} />}
      <LateField
        label="What it is for, in a few words"
        testID="part-role"
        value={part.role === 'not noted' ? '' : part.role}
        take={(role) => {
          put({ role: role || 'not noted' });
          return undefined;
        }}
      />
      <LateField
        label="Where it sits"
        testID="part-where"
        value={part.where ?? ''}
        take={(where) => {
          change(
            changePart(
              diagram,
              part.id,
              ({ where: _old, ...rest }) => ({ ...rest, ...(where && { where }) }) as Part,
            ),
          );
          return undefined;
        }}
      />
      {diagram.panels.length > 0 && (
        <OneOf
          label="Behind"
          titled
          choices={[
            { id: '', label: 'no panel', testID: 'behind-none' },
            ...diagram.panels.map(({ id, name }) => ({ id, label: name, testID: `behind-${id}` })),
          ]}
          chosen={part.panel ?? ''}
          choose={(panel) => change(putBehind(diagram, part.id, panel || undefined))}
        />
      )}
    </>
  );
}

/** The value of an element: watts at volts by its plate, or the ohms of a good one. */
function Element({ diagram, part, element, change }: Props<LoadPart> & { element: LoadElement }) {
  const { id, value } = element;
  const put = (fields: Partial<LoadElement>): void =>
    change(
      changePart(diagram, part.id, (each) =>
        each.kind === 'load'
          ? {
              ...each,
              elements: each.elements.map((one) => (one.id === id ? { ...one, ...fields } : one)),
            }
          : each,
      ),
    );
  const plate = 'watts' in value ? value : undefined;
  const numbers = (text: string, taken: (number: number) => void): string | undefined => {
    const number = positive(text);
    if (number === undefined) return ABOVE_ZERO;
    taken(number);
    return undefined;
  };
  const volts = element.volts ?? plate?.volts ?? 120;
  return (
    <>
      {part.elements.length > 1 && (
        <Type weight="strong">{`Between ${element.between.join(' and ')}`}</Type>
      )}
      <View style={styles.row}>
        {part.load === 'heater' && (
          <View style={styles.half}>
            <LateField
              label="Watts"
              testID={`watts-${id}`}
              numeric
              value={plate ? String(plate.watts) : ''}
              take={(text) =>
                numbers(text, (watts) =>
                  put({ value: { watts, volts, tolerancePercent: PERCENT.plate }, volts }),
                )
              }
            />
          </View>
        )}
        <View style={styles.half}>
          <LateField
            label="Volts"
            testID={`volts-${id}`}
            numeric
            value={String(volts)}
            take={(text) =>
              numbers(text, (to) =>
                put({ volts: to, ...(plate && { value: { ...plate, volts: to } }) }),
              )
            }
          />
        </View>
        <View style={styles.half}>
          <LateField
            label="Ohms of a good one"
            testID={`ohms-${id}`}
            numeric
            value={'nominal' in value ? String(value.nominal) : ''}
            take={(text) => numbers(text, (ohms) => put({ value: about(ohms, PERCENT.ohms) }))}
          />
        </View>
      </View>
    </>
  );
}

/** Where a switch that a quantity moves goes over, and goes back. */
function SetPoints({ diagram, part, change }: Props<SwitchPart>) {
  const actuator = diagram.actuators.find(({ id }) => id === part.actuator);
  if (actuator?.kind !== 'quantity') return null;
  const { setPoints } = part;
  const put = (rising: number, falling: number): string | undefined => {
    if (falling >= rising) return 'It goes back below where it goes over.';
    const tolerance = Math.max(1, Math.round((rising - falling) / 5));
    const told = { rising: { at: rising, tolerance }, falling: { at: falling, tolerance } };
    change(changePart(diagram, part.id, (each) => ({ ...each, setPoints: told }) as Part));
    return undefined;
  };
  const number = (text: string): number | undefined => {
    const value = Number(text.replace(',', '.'));
    return text.trim() && Number.isFinite(value) ? value : undefined;
  };
  return (
    <View style={styles.row}>
      <View style={styles.half}>
        <LateField
          label={`Goes over at, ${actuator.unit}`}
          testID="set-rising"
          numeric
          value={setPoints ? String(setPoints.rising.at) : ''}
          take={(text) => {
            const at = number(text);
            if (at === undefined) return 'A number, as it is printed.';
            const back = setPoints?.falling.at ?? at - Math.max(1, Math.abs(at) / 5);
            return put(at, Math.min(back, at - Math.abs(at) / 100));
          }}
        />
      </View>
      <View style={styles.half}>
        <LateField
          label={`Goes back at, ${actuator.unit}`}
          testID="set-falling"
          numeric
          value={setPoints ? String(setPoints.falling.at) : ''}
          take={(text) => {
            const at = number(text);
            if (at === undefined) return 'A number, as it is printed.';
            return put(setPoints?.rising.at ?? at + Math.max(1, Math.abs(at) / 5), at);
          }}
        />
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  half: { flexGrow: 1, flexBasis: 120 },
});
