import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { LIKENESS, type NewPart } from '../../../core/call/candidate';
import { fitAsAWhole, fitOf } from '../../../core/decide/fit';
import { FIT_WORDS, sayFitLine } from '../../../core/describe/fit';
import type { Part } from '../../../core/diagram/diagram';
import { useLog } from '../../state/useLog';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { NumberField } from '../../ui/NumberField';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

const LIKE = [
  ['contacts', 'Contacts and throws'],
  ['lever', 'Lever or stem'],
  ['connectors', 'Connectors'],
  ['mounting', 'Mounting'],
  ['orientation', 'Which way round'],
] as const;
const LIKE_WORDS = { same: 'same', other: 'another', proved: 'proved to do' } as const;

/** A part that may be fitted, held against the old one and the circuit, point by point. */
export function FitCard({ call, part }: { call: CallDetail; part: Part }) {
  const log = useLog(call.id);
  const [open, setOpen] = useState(false);
  const [asked, setAsked] = useState(false);
  const [candidate, setCandidate] = useState<NewPart>({
    part: part.id,
    words: '',
    used: false,
  });
  const set = (some: Partial<NewPart>): void => setCandidate({ ...candidate, ...some });
  const lines = fitOf(call.diagram, candidate, call.entries);
  const points = new Set(lines.map(({ point }) => point));
  const whole = fitAsAWhole(lines);
  const tone = whole === 'fits' ? 'good' : whole === 'does-not' ? 'bad' : 'warn';
  const number = (name: 'amps' | 'volts' | 'rising' | 'falling', label: string) => (
    <View style={styles.field}>
      <NumberField
        label={label}
        testID={`fit-${name}`}
        value={candidate[name]}
        least={-100_000}
        change={(value) => setCandidate(without(candidate, name, value))}
      />
    </View>
  );
  return (
    <Card testID="fit">
      <Button
        icon={open ? 'chevron-up' : 'copy'}
        label="Does the new part fit?"
        testID="open-fit"
        selected={open}
        onPress={() => setOpen(!open)}
      />
      {open && (
        <>
          <Field
            label="What it is: its number, where it is from"
            testID="fit-words"
            value={candidate.words}
            onChangeText={(words) => set({ words })}
            maxLength={200}
            {...(asked && !candidate.words.trim() && { fault: 'Say it: it stands in the log.' })}
          />
          <View style={styles.row}>
            <Button
              icon={candidate.used ? 'check-square' : 'square'}
              label="Used"
              testID="fit-used"
              selected={candidate.used}
              onPress={() => set({ used: !candidate.used })}
            />
          </View>
          <OneOf
            titled
            label="The maker’s own, or approved for this model"
            choices={[
              { id: 'yes', label: 'yes', testID: 'fit-approved-yes' },
              { id: 'no', label: 'no', testID: 'fit-approved-no' },
            ]}
            chosen={
              candidate.approved === undefined ? undefined : candidate.approved ? 'yes' : 'no'
            }
            choose={(to) => set({ approved: to === 'yes' })}
          />
          <View style={styles.row}>
            {points.has('amps') && number('amps', 'Amperes on it')}
            {points.has('volts') && number('volts', 'Volts on it')}
            {points.has('set-points') && number('rising', 'Goes over on rise at')}
            {points.has('set-points') && number('falling', 'Goes back at')}
          </View>
          {points.has('reset') && (
            <OneOf
              titled
              label="Reset"
              choices={(['automatic', 'manual'] as const).map((id) => ({
                id,
                label: id,
                testID: `fit-reset-${id}`,
              }))}
              chosen={candidate.reset}
              choose={(reset) => set({ reset })}
            />
          )}
          {LIKE.filter(([name]) => points.has(name)).map(([name, label]) => (
            <OneOf
              key={name}
              titled
              label={label}
              choices={LIKENESS.map((id) => ({
                id,
                label: LIKE_WORDS[id],
                testID: `fit-${name}-${id}`,
              }))}
              chosen={candidate[name]}
              choose={(to) => set({ [name]: to })}
            />
          ))}
          <Type weight="heavy" tone={tone} aria-live="polite" testID="fit-says">
            {FIT_WORDS[whole]}
          </Type>
          {lines.map((line) => (
            <Type
              key={line.point}
              size="small"
              tone={line.stands === 'holds' ? 'good' : line.stands === 'does-not' ? 'bad' : 'soft'}
            >
              · {sayFitLine(line)}
            </Type>
          ))}
          <Button
            icon="check"
            label="Write it down"
            testID="fit-keep"
            onPress={() => {
              const words = candidate.words.trim();
              if (!words) return setAsked(true);
              log('fit', { ...candidate, words });
              setOpen(false);
            }}
          />
        </>
      )}
    </Card>
  );
}

/** A number that is emptied is not known again. */
function without(
  candidate: NewPart,
  name: 'amps' | 'volts' | 'rising' | 'falling',
  value: number | undefined,
): NewPart {
  const { [name]: _, ...rest } = candidate;
  return value === undefined ? rest : { ...rest, [name]: value };
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  field: { flexGrow: 1, flexBasis: 130, maxWidth: '100%' },
});
