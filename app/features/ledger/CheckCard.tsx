import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { CHECK_FIGURES, GRADES, type Checked } from '../../../core/call/closingCheck';
import { findingsInEntry } from '../../../core/call/entryFindings';
import { evidenceOf } from '../../../core/call/log';
import { GRADE_WORDS, howCheck, nameCheck, sayChecked } from '../../../core/describe/closingChecks';
import { runScript, sayRunLoad } from '../../../core/describe/runScript';
import { capital } from '../../../core/describe/use';
import type { CheckDue } from '../../../core/plan/closingChecks';
import { useLog } from '../../state/useLog';
import { useSame } from '../../state/useSame';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { NumberField } from '../../ui/NumberField';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { InWords } from './InWords';

const TONES = { right: 'good', wrong: 'bad', 'not-done': 'warn' } as const;

/** One check before a unit is handed back: right, not right, or not done and why; with its figure where one is read. */
export function CheckCard({ call, due }: { call: CallDetail; due: CheckDue }) {
  const log = useLog(call.id);
  const { diagram } = call;
  const { check, of, said } = due;
  const [again, setAgain] = useState(false);
  const [leaving, setLeaving] = useState(false);
  const [value, setValue] = useState<number>();
  const [faults, setFaults] = useState<string[]>([]);
  const name = nameCheck(diagram, due);
  const key = of === undefined ? check : `${check}-${of}`;
  const figure = CHECK_FIGURES[check];
  const keep = (some: Pick<Checked, 'outcome' | 'words' | 'grade'>): void => {
    const asked = some.outcome !== 'not-done';
    const body: Checked = {
      check,
      ...(of !== undefined && { of }),
      ...some,
      ...(asked && value !== undefined && { value }),
    };
    const wrong = findingsInEntry(diagram, { kind: 'checked', body });
    setFaults(wrong.map(({ message }) => capital(message)));
    if (wrong.length) return;
    log('checked', body);
    setAgain(false);
    setLeaving(false);
  };
  if (said && !again)
    return (
      <Card edge={TONES[said.outcome]} testID={`check-${key}`}>
        <View style={styles.said}>
          <View style={styles.grow}>
            <Type weight="strong">{name}</Type>
            <Type tone={TONES[said.outcome]} weight="strong">
              {capital(sayChecked(said))}
            </Type>
          </View>
          <Button
            icon="edit-2"
            label="Change"
            hint={`${name}: say it anew`}
            testID={`check-again-${key}`}
            onPress={() => setAgain(true)}
          />
        </View>
      </Card>
    );
  return (
    <Card testID={`check-${key}`}>
      <Type size="lead" weight="strong" role="heading" aria-level={2}>
        {name}
      </Type>
      <Type>{howCheck(check)}</Type>
      {check === 'run' && <RunScript call={call} />}
      {leaving ? (
        <InWords
          label="Why is it not done?"
          name={`not-done-${key}`}
          keep={(words) => keep({ outcome: 'not-done', words })}
          cancel={() => setLeaving(false)}
        />
      ) : (
        <>
          {figure && (
            <NumberField
              label={`Read or counted, in ${figure.unit}`}
              testID={`figure-${key}`}
              value={value}
              least={-1000}
              most={100_000}
              change={setValue}
            />
          )}
          {faults.map((each) => (
            <Type key={each} tone="bad" weight="strong" role="alert" testID={`fault-${key}`}>
              {each}.
            </Type>
          ))}
          {check === 'safety' && (
            <>
              <Type size="small" tone="soft">
                It stops it, tried
              </Type>
              <View style={styles.row}>
                {GRADES.map((grade) => (
                  <Button
                    key={grade}
                    look="act"
                    label={capital(GRADE_WORDS[grade])}
                    hint={`${name}: right, tried ${GRADE_WORDS[grade]}`}
                    testID={`right-${key}-${grade}`}
                    style={styles.grow}
                    onPress={() => keep({ outcome: 'right', grade })}
                  />
                ))}
              </View>
            </>
          )}
          <View style={styles.row}>
            {check !== 'safety' && (
              <Button
                look="act"
                icon="check"
                label="Right"
                hint={`${name}: right`}
                testID={`right-${key}`}
                style={styles.grow}
                onPress={() => keep({ outcome: 'right' })}
              />
            )}
            <Button
              label="Not right"
              hint={`${name}: not right`}
              testID={`wrong-${key}`}
              style={styles.grow}
              onPress={() => keep({ outcome: 'wrong' })}
            />
            <Button
              label="Not done"
              hint={`${name}: not done`}
              testID={`leave-${key}`}
              style={styles.grow}
              onPress={() => setLeaving(true)}
            />
          </View>
        </>
      )}
    </Card>
  );
}

/** The run step by step, with what must happen. */
function RunScript({ call: { diagram, entries } }: { call: CallDetail }) {
  const told = evidenceOf(diagram, entries).evidence.filter(({ kind }) => kind === 'statement');
  // A unit is not run anew with every tick.
  const same = useSame(told, told.map(({ id }) => id).join());
  const steps = useMemo(() => runScript(diagram, same), [diagram, same]);
  if (steps.length === 0) return null;
  return (
    <View style={styles.script} testID="run-script">
      <Type weight="strong">{sayRunLoad(diagram)}</Type>
      {steps.map(({ does, happens }, i) => (
        <Type key={`${i} ${does}`}>
          {i + 1}. {does}
          {happens.length ? `: ${happens.join(', ')}` : ''}
        </Type>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  said: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  grow: { flexGrow: 1, flexShrink: 1 },
  script: { gap: space.xs },
});
