import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { LINK_DAYS } from '../../../contract/limits';
import type { ReportLink } from '../../../contract/reportLink';
import { useAppSelector, useWho } from '../../state/hooks';
import { fetchReportLinks, makeReportLink, Refusal, withdrawReportLink } from '../../sync/api';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkCard } from '../../ui/LinkCard';
import { OneOf } from '../../ui/OneOf';
import { sayWhen } from '../../ui/sayTime';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

const DAYS = [LINK_DAYS.least, LINK_DAYS.usual, LINK_DAYS.most];
const AWAY = 'The server is away: a link is made by it, and withdrawn by it.';

/** Links by which the customer reads the report: made, counted, withdrawn. */
export function ReportLinks({ callId }: { callId: string }) {
  const who = useWho();
  const currency = useAppSelector((state) => state.settings.currency);
  const [links, setLinks] = useState<ReportLink[]>();
  const [days, setDays] = useState(LINK_DAYS.usual);
  const [made, setMade] = useState<{ link: string; expiresAt: string }>();
  const [failed, setFailed] = useState<string>();
  const [round, setRound] = useState(0);
  useEffect(() => {
    let wanted = true;
    fetchReportLinks(who, callId).then(
      (said) => wanted && setLinks(said),
      () => undefined, // the server is away: what it said last stays
    );
    return () => {
      wanted = false;
    };
  }, [who, callId, round]);
  const change = async (run: () => Promise<unknown>): Promise<void> => {
    setFailed(undefined);
    try {
      await run();
    } catch (error) {
      const faults = error instanceof Refusal ? error.problem.faults : undefined;
      setFailed(error instanceof Refusal ? (faults?.[0]?.message ?? error.message) : AWAY);
    }
    setRound(round + 1);
  };
  const make = (): void => {
    const { timeZone: zone } = Intl.DateTimeFormat().resolvedOptions();
    void change(async () => setMade(await makeReportLink(who, callId, { days, zone, currency })));
  };
  if (made)
    return (
      <LinkCard
        title="Give this link to the customer"
        url={`${globalThis.location?.origin ?? ''}/shared/${made.link}`}
        says={`It shows this report and nothing else, until ${sayWhen(new Date(made.expiresAt))}. It is not shown again.`}
        done={() => setMade(undefined)}
      />
    );
  return (
    <Card testID="report-links">
      <Type weight="heavy" role="heading" aria-level={2}>
        A link for the customer
      </Type>
      <OneOf
        titled
        label="How many days should it work?"
        choices={DAYS.map((each) => ({
          id: String(each),
          label: String(each),
          testID: `link-days-${each}`,
        }))}
        chosen={String(days)}
        choose={(id) => setDays(Number(id))}
      />
      <Button icon="link" label="Make a link" testID="make-report-link" onPress={make} />
      {failed !== undefined && (
        <Type weight="strong" tone="bad" role="alert" testID="link-failed">
          {failed}
        </Type>
      )}
      {links?.map(({ id, expiresAt, opened, lastOpenedAt }) => (
        <View key={id} style={styles.line} testID={`link-${id}`}>
          <Type style={styles.grow}>
            Until {sayWhen(new Date(expiresAt))}:{' '}
            {opened === 0 || lastOpenedAt === null
              ? 'not opened yet'
              : `opened ${opened === 1 ? 'once' : `${opened} times`}, last ${sayWhen(new Date(lastOpenedAt))}`}
          </Type>
          <Button
            icon="x"
            label="Withdraw"
            testID="withdraw-link"
            onPress={() => void change(() => withdrawReportLink(who, id))}
          />
        </View>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  grow: { flexGrow: 1, flexShrink: 1 },
});
