import { ScrollView, StyleSheet } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { evidenceOf } from '../../../core/call/log';
import { checksDue } from '../../../core/plan/closingChecks';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { OpenedCall } from '../../ui/OpenedCall';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { CheckCard } from './CheckCard';
import { LedgerCount } from './LedgerCount';

/** What is checked before a unit is handed back, one by one: by what it works with, and what the call touched. */
export function ChecksScreen({ callId }: { callId: string }) {
  return (
    <OpenedCall callId={callId} title="Before it is handed back">
      {(call) => <Opened call={call} />}
    </OpenedCall>
  );
}

function Opened({ call }: { call: CallDetail }) {
  const { diagram, entries } = call;
  const checks = checksDue(diagram, entries, evidenceOf(diagram, entries).evidence);
  const open = checks.filter(({ said }) => !said).length;
  const wrong = checks.some(({ said }) => said?.outcome === 'wrong');
  return (
    <Screen
      title="Before it is handed back"
      under={`${call.appliance.make} ${call.appliance.model} · ${call.complaint}`}
      back={`/call/${call.id}`}
      actions={<LedgerCount call={call} />}
    >
      <ScrollView contentContainerStyle={styles.inner} testID="checks">
        {checks.length === 0 ? (
          <Notice
            icon="check-circle"
            title="Nothing to check yet"
            text="Once something was taken off or repaired, what is due stands here."
            testID="no-checks"
          />
        ) : (
          <>
            <Type weight="strong" tone={wrong ? 'bad' : open ? 'warn' : 'good'} testID="checks-say">
              {wrong
                ? 'Something was not right: do not hand it back like this.'
                : open
                  ? `${open} of ${checks.length} to be said. What is not done stands on the report.`
                  : 'Every check is said.'}
            </Type>
            {checks.map((due) => (
              <CheckCard key={`${due.check} ${due.of ?? ''}`} call={call} due={due} />
            ))}
            <Card ground="warnGround" edge="warn">
              <Type size="small">
                The maker’s sheet and local codes go before this list. Gas, refrigerant and
                microwave leakage are for who is licensed for them.
              </Type>
            </Card>
          </>
        )}
      </ScrollView>
    </Screen>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
});
