import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { openLines } from '../../../core/call/ledger';
import { evidenceOf } from '../../../core/call/log';
import { sayLedgerLine, sayNotFinished } from '../../../core/describe/ledger';
import { sayStep, STEP_NAMES, STEP_STATES } from '../../../core/describe/course';
import { checksDue } from '../../../core/plan/closingChecks';
import { orderedActuators } from '../../../core/plan/eventOrder';
import { courseOf, type CourseStep, type StepStanding } from '../../../core/plan/course';
import { diagramKey } from '../../state/diagrams';
import { useLog } from '../../state/useLog';
import { useSame } from '../../state/useSame';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Chip } from '../../ui/Chip';
import { RowLink } from '../../ui/RowLink';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { useRepair } from '../../workers/useShown';

/** Where a step is worked on; several are on the work screen, each where it is said. */
const WHERE: Record<CourseStep, string> = {
  complaint: 'work?say=statement',
  found: 'work',
  decided: 'decide',
  repaired: 'work?say=act',
  proved: 'work',
  closed: 'ledger',
};

const LOOK: Record<
  StepStanding['state'],
  {
    tone: 'good' | 'warn' | 'ink' | 'bad';
    icon: 'check' | 'clock' | 'circle' | 'slash' | 'alert-circle';
  }
> = {
  done: { tone: 'good', icon: 'check' },
  begun: { tone: 'warn', icon: 'clock' },
  open: { tone: 'ink', icon: 'circle' },
  'not-due': { tone: 'ink', icon: 'slash' },
  wrong: { tone: 'bad', icon: 'alert-circle' },
};

/** How far a call has come, step by step in the order of the work, each a way to where it is done. */
export function CallCourse({ call }: { call: CallDetail }) {
  const { diagram, entries, stage } = call;
  const log = useLog(call.id);
  const [refused, setRefused] = useState(false);
  const known = useMemo(() => evidenceOf(diagram, entries).evidence, [diagram, entries]);
  const evidence = useSame(known, known.map(({ id }) => id).join());
  const repair = useRepair(diagramKey(call.diagramId, call.diagramVersion), diagram, evidence);
  const checks = useMemo(() => checksDue(diagram, entries, evidence), [diagram, entries, evidence]);
  const whole = { diagram, entries, evidence, stage, repair, checks };
  const lines = openLines(diagram, entries);
  // Once it is read and seen to run, checks are what is left of its proof.
  const onlyChecks = repair?.kind === 'proved';
  const unsaid = checks.filter(({ said }) => !said).length;
  const finish = (): void => {
    if (lines.length) return setRefused(true);
    setRefused(false);
    log('stage', { stage: 'done' });
  };
  return (
    <View style={styles.course} testID="course">
      {courseOf(whole).map((standing) => {
        const { step, state } = standing;
        const [first, ...more] = sayStep(whole, standing);
        return (
          <RowLink
            key={step}
            href={`/call/${call.id}/${step === 'proved' && onlyChecks ? 'checks' : WHERE[step]}`}
            name={`${STEP_NAMES[step]}: ${STEP_STATES[state]}`}
            testID={step === 'found' ? 'work' : `step-${step}`}
          >
            <View style={styles.head}>
              <Type size="lead" weight="strong">
                {STEP_NAMES[step]}
              </Type>
              <Chip label={STEP_STATES[state]} {...LOOK[state]} testID={`state-${step}`} />
            </View>
            {first !== undefined && <Type>{first}</Type>}
            {more.map((each) => (
              <Type key={each} size="small" tone="soft">
                {each}
              </Type>
            ))}
          </RowLink>
        );
      })}
      {refused && lines.length > 0 && (
        <Card ground="badGround" edge="bad" role="alert" testID="not-finished">
          <Type weight="strong" tone="bad">
            Not finished: {sayNotFinished(diagram, lines)}
          </Type>
          {lines.slice(0, 6).map((line) => (
            <Type key={line.key}>· {sayLedgerLine(diagram, line)}</Type>
          ))}
          <Button
            look="act"
            icon="clipboard"
            label="Put it back, tick by tick"
            testID="to-ledger"
            onPress={() => router.navigate(`/call/${call.id}/ledger`)}
          />
        </Card>
      )}
      {orderedActuators(diagram).length > 0 && (
        <Button
          icon="repeat"
          label="Order of the door’s contacts"
          testID="to-order"
          onPress={() => router.navigate(`/call/${call.id}/order`)}
        />
      )}
      {checks.length > 0 && (
        <Button
          icon="check-square"
          label={`Before it is handed back${unsaid ? `: ${unsaid} to check` : ''}`}
          testID="to-checks"
          onPress={() => router.navigate(`/call/${call.id}/checks`)}
        />
      )}
      <Button
        icon="file-text"
        label="Report"
        testID="report"
        onPress={() => router.navigate(`/call/${call.id}/report`)}
      />
      {stage === 'open' ? (
        <Button icon="check" label="Finish this call" testID="finish" onPress={finish} />
      ) : (
        <Button
          icon="rotate-ccw"
          label="Open it again"
          testID="reopen"
          onPress={() => log('stage', { stage: 'open' })}
        />
      )}
    </View>
  );
}

const styles = StyleSheet.create({
  course: { gap: space.s },
  head: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    justifyContent: 'space-between',
    gap: space.s,
  },
});
