import { useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { Button } from '../components/Button';
import { Card } from '../components/Card';
import { Notice } from '../components/Notice';
import { Screen } from '../components/Screen';
import { Type } from '../components/Type';
import { useKeys } from '../components/useKeys';
import { space, WIDE } from '../theme/theme';
import { sayTest } from '../../core/plan/sayTest';
import { Keypad } from './switch/Keypad';
import { Complaint } from './work/Complaint';
import { Log } from './work/Log';
import { capital, nameOf, sayFaultOf } from './work/say';
import { Suspects } from './work/Suspects';
import { TestCard } from './work/TestCard';
import { useWork, type Work } from './work/useWork';

/** From complaint to part: what is known of the unit, who is suspected, what to test next. */
export function WorkScreen({ callId }: { callId: string }) {
  const opening = useWork(callId);
  const back = `/call/${callId}`;
  if (opening.state === 'ready') return <Opened work={opening.work} back={back} />;
  return (
    <Screen title="What is wrong?" back={back}>
      {opening.state === 'failed' ? (
        <Notice
          icon="wifi-off"
          title="The call could not be read"
          text="It was not opened on this device before. Try again when the server is back."
          testID="failed"
        />
      ) : (
        <Notice icon="loader" title="Reading the call" testID="loading" />
      )}
    </Screen>
  );
}

function Opened({ work, back }: { work: Work; back: string }) {
  const wide = useWindowDimensions().width >= WIDE;
  const [other, setOther] = useState(0);
  const [telling, setTelling] = useState(false);
  const { call, answer, evidence, thinking, failed } = work;
  const tests = thinking ? [] : (answer?.tests ?? []);
  const advice = tests[Math.min(other, tests.length - 1)];
  const begun = evidence.length > 0;
  const atProbes = begun && advice?.test.kind === 'ohm';
  const ready =
    atProbes && work.safe && !telling && advice.test.kind === 'ohm' ? advice.test : undefined;
  const another = (): void => setOther((now) => (now + 1) % Math.max(1, tests.length));
  useKeys({
    n: another,
    ...(evidence.length && { u: () => work.takeBack(evidence.at(-1)?.id ?? '') }),
  });
  const pad = ready && (
    <Keypad
      key={evidence.length}
      letters={wide}
      enter={(said) => {
        setOther(0);
        return work.read(ready, said);
      }}
    />
  );
  const working = (
    <>
      {failed !== undefined && (
        <Notice
          icon="alert-triangle"
          title="The diagnosis cannot be computed on this device"
          text={failed}
          testID="worker-failed"
        />
      )}
      {(!begun || telling) && <Complaint work={work} done={() => setTelling(false)} />}
      {begun && thinking && failed === undefined && (
        <Notice icon="loader" title="Weighing what is known" testID="thinking" />
      )}
      {begun && !thinking && <Verdict work={work} />}
      {atProbes && !work.safe && <MakeSafe work={work} />}
      {begun && advice && (advice.test.kind !== 'ohm' || work.safe) && (
        <TestCard work={work} advice={advice} />
      )}
      {begun && tests.length > 1 && (
        <Button
          icon="shuffle"
          label={`Another test instead (${(Math.min(other, tests.length - 1) % tests.length) + 1} of ${tests.length})`}
          testID="another"
          hint={tests.map((each) => sayTest(call.diagram, each.test)).join('; ')}
          shortcut="N"
          onPress={another}
        />
      )}
      {begun && !telling && (
        <Button
          icon="message-circle"
          label="Add what it does"
          testID="tell-more"
          onPress={() => setTelling(true)}
        />
      )}
    </>
  );
  const side = (
    <>
      {answer && <Suspects work={work} />}
      {begun && <Log work={work} />}
    </>
  );
  return (
    <Screen
      title="What is wrong?"
      under={`${call.appliance.make} ${call.appliance.model} · ${call.complaint}`}
      back={back}
    >
      {wide ? (
        <View style={styles.panes}>
          <View style={styles.pane}>
            <ScrollView contentContainerStyle={styles.inner}>{working}</ScrollView>
            {pad}
          </View>
          <ScrollView style={styles.pane} contentContainerStyle={styles.inner}>
            {side}
          </ScrollView>
        </View>
      ) : (
        <>
          <ScrollView contentContainerStyle={styles.inner}>
            {working}
            {side}
          </ScrollView>
          {pad}
        </>
      )}
    </Screen>
  );
}

/** The verdict, once there is one; nothing while tests are still worth the walk. */
function Verdict({ work }: { work: Work }) {
  const { diagram } = work.call;
  const verdict = work.answer?.verdict;
  if (!verdict || verdict.kind === 'open') return null;
  if (verdict.kind === 'nothing-found') {
    return (
      <Card ground="goodGround" edge="good" testID="unit-verdict">
        <Type size="title" weight="heavy" tone="good">
          Nothing wrong found here
        </Type>
        <Type>Look at the house, at how it is used, and at what this diagram does not show.</Type>
      </Card>
    );
  }
  const suspects = verdict.kind === 'named' ? [verdict.suspect] : verdict.suspects;
  return (
    <Card
      ground={verdict.kind === 'named' ? 'badGround' : 'warnGround'}
      edge={verdict.kind === 'named' ? 'bad' : 'warn'}
      testID="unit-verdict"
    >
      {verdict.kind === 'group' && <Type weight="strong">No test here tells these apart:</Type>}
      {suspects.map((suspect) => (
        <View key={suspect.id ?? 'none'}>
          <Type size="title" weight="heavy" tone={verdict.kind === 'named' ? 'bad' : 'warn'}>
            {nameOf(diagram, suspect.id)}
          </Type>
          <Type>
            {capital(sayFaultOf(diagram, suspect))}, {Math.round(100 * suspect.probability)} in 100
          </Type>
        </View>
      ))}
      <Type size="small">
        A blown or tripped protector has a cause: find it before it is replaced.
      </Type>
    </Card>
  );
}

function MakeSafe({ work }: { work: Work }) {
  return (
    <Card ground="warnGround" edge="warn" testID="make-safe">
      <Type size="title" weight="heavy" tone="warn">
        Make it safe before the probes
      </Type>
      <Type>
        Unplug or lock out. Prove the tester on something live, prove the unit dead, prove the
        tester again. Discharge what stores energy.
      </Type>
      {work.call.diagram.cautions.map((caution) => (
        <Type key={caution} size="small">
          · {caution}
        </Type>
      ))}
      <Button
        look="act"
        icon="check"
        label="It is dead and proved"
        testID="made-safe"
        onPress={work.makeSafe}
      />
    </Card>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, paddingBottom: space.xl },
  panes: { flex: 1, flexDirection: 'row' },
  pane: { flex: 1 },
});
