import { ScrollView, StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import type { ReportedPlace } from '../../../core/describe/branch';
import type { CallReport, ReportedReading } from '../../../core/describe/report';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { OpenedCall } from '../../ui/OpenedCall';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { space, useTheme } from '../../theme/theme';
import { LedgerCount } from '../ledger/LedgerCount';
import { ReportLinks } from './ReportLinks';
import { ReportFiles } from './ReportFiles';
import { useReport } from './useReport';

/** What is handed to the customer, and what the next technician finds: read here, taken along as files. */
export function ReportScreen({ callId }: { callId: string }) {
  return (
    <OpenedCall callId={callId} title="Report">
      {(call) => <Opened call={call} />}
    </OpenedCall>
  );
}

function Opened({ call }: { call: CallDetail }) {
  const { report, stale, failed, again } = useReport(call.id);
  return (
    <Screen
      title="Report"
      under={`${call.appliance.make} ${call.appliance.model} · ${call.complaint}`}
      back={`/call/${call.id}`}
      actions={<LedgerCount call={call} />}
    >
      {report ? (
        <ScrollView contentContainerStyle={styles.inner} testID="report-page">
          {(stale || failed) && (
            <Card ground="warnGround" edge="warn" testID="report-stale">
              <Type weight="strong" tone="warn">
                The server is away: this is how the report was when it was last reached.
              </Type>
            </Card>
          )}
          <ReportFiles call={call} />
          <Lines of={report} />
          <ReportLinks callId={call.id} />
        </ScrollView>
      ) : failed ? (
        <Notice
          icon="wifi-off"
          title="The report could not be made"
          text="It is made by the server, which is away. What was entered is on this device and is sent when it is back."
          testID="failed"
        >
          <Button label="Try again" icon="refresh-cw" testID="retry" onPress={again} />
        </Notice>
      ) : (
        <Notice icon="loader" title="Making the report" testID="loading" />
      )}
    </Screen>
  );
}

function Lines({ of }: { of: CallReport }) {
  const { found, decided, proof } = of;
  return (
    <>
      <Section title="What was told" lines={[of.complaint, ...of.told]} />
      {found && (
        <Section
          title="What was found"
          lines={[`${found.part}: ${found.says}`, ...(found.guess ? [found.guess] : [])]}
          strong
        />
      )}
      {of.readings.length > 0 && <Readings readings={of.readings} />}
      <Section title="What was looked at" lines={of.looks} />
      {of.branch.length > 0 && <Branch branch={of.branch} />}
      <Section title="What made it fail" lines={of.causes} />
      {decided && (
        <Section
          title="What was decided"
          lines={[
            `${decided.option}${decided.along.length ? `, with ${decided.along.join(', ')}` : ''}`,
            ...(decided.choice === undefined ? [] : [`“${decided.choice}”`]),
          ]}
        />
      )}
      <Section title="What was held against the old part" lines={of.fit} />
      <Section title="What was done" lines={of.done} />
      {proof && (
        <Section
          title="What was proved"
          lines={[
            proof.headline,
            ...proof.grades,
            ...of.seenAfter.map((each) => `Seen: ${each}`),
            ...proof.missing.map((each) => `Not done: ${each}`),
          ]}
        />
      )}
      <Section title="What was checked" lines={of.checks} />
      <Section title="What was put back" lines={of.putBack} />
      <Section title="What was declined" lines={of.declined} />
      <Section title="What stays as it is" lines={of.left} />
      <Section title="What to do differently" lines={of.advice} />
      <Section title="Mind" lines={of.cautions} />
    </>
  );
}

function Section({
  title,
  lines,
  strong = false,
}: {
  title: string;
  lines: readonly string[];
  strong?: boolean;
}) {
  if (lines.length === 0) return null;
  return (
    <Card>
      <Heading title={title} />
      {lines.map((line, i) => (
        <Type
          key={`${i} ${line}`}
          {...(strong && { weight: 'strong' as const, size: 'lead' as const })}
        >
          {line}
        </Type>
      ))}
    </Card>
  );
}

const Heading = ({ title }: { title: string }) => (
  <Type size="small" tone="soft" weight="strong" role="heading" aria-level={2}>
    {title}
  </Type>
);

/** What was read beside what a good unit shows; said in words as well as by colour. */
function Readings({ readings }: { readings: readonly ReportedReading[] }) {
  const palette = useTheme();
  return (
    <Card testID="report-readings">
      <Heading title="What was read" />
      {readings.map(({ what, expected, shown, fits, after }, i) => (
        <View key={i} style={[styles.reading, { borderColor: palette.line }]}>
          <Type>
            {after ? 'After the repair: ' : ''}
            {what}
          </Type>
          <View style={styles.row}>
            <Type size="small" tone="soft" style={styles.half}>
              A good unit: {expected}
            </Type>
            <Type
              size="small"
              weight="strong"
              tone={fits === undefined ? 'ink' : fits ? 'good' : 'bad'}
              style={styles.half}
            >
              This one: {shown}
              {fits === undefined ? '' : fits ? ', as it should be' : ', not so'}
            </Type>
          </View>
        </View>
      ))}
    </Card>
  );
}

function Branch({ branch }: { branch: readonly ReportedPlace[] }) {
  return (
    <Card testID="report-branch">
      <Heading title="Where it lies" />
      {branch.map(({ at, then, marked }, i) => (
        <View key={i}>
          <Type size="small">● {at}</Type>
          {then !== undefined && (
            <Type size="small" weight={marked ? 'strong' : 'text'} tone={marked ? 'bad' : 'soft'}>
              {marked ? `┆ ${then}: this is what was found` : `│ ${then}`}
            </Type>
          )}
        </View>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
  reading: { borderTopWidth: 1, paddingVertical: space.s, gap: space.xs },
  row: { flexDirection: 'row', flexWrap: 'wrap', columnGap: space.m },
  half: { flexGrow: 1, flexBasis: 150, maxWidth: '100%' },
});
