import { useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import type { Role } from '../../../contract/account';
import type { AuditLine, Invitation, Person } from '../../../contract/people';
import { useAppSelector, useWho } from '../../state/hooks';
import { Refusal } from '../../sync/api';
import { invite, setRole, takeOut, withdrawInvitation } from '../../sync/door';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { sayWhen } from '../../ui/sayTime';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { LinkCard } from '../../ui/LinkCard';
import { CustomerCard } from './CustomerCard';
import { usePeople } from './usePeople';

/** A link that was just made: it is shown this once. */
interface Made {
  for: string;
  link: string;
  expiresAt: string;
}

/** The people of the shop, links that let somebody in, and the record of the door. For leads. */
export function PeopleScreen() {
  const who = useWho();
  const { state, people, invitations, lines, again } = usePeople(who);
  const [made, setMade] = useState<Made>();
  const [refused, setRefused] = useState<string>();
  const change = async (run: () => Promise<unknown>): Promise<void> => {
    setRefused(undefined);
    try {
      await run();
    } catch (error) {
      setRefused(
        error instanceof Refusal
          ? error.problem.title
          : 'The server is not reached: nothing was changed.',
      );
    }
    again();
  };
  const makeLink = (of: string, said: { role: Role } | { person: string }): void =>
    void change(async () => setMade({ for: of, ...(await invite(who, said)) }));
  if (state !== 'ready')
    return (
      <Screen title="People" back="/account">
        {state === 'loading' ? (
          <Notice icon="loader" title="Reading who is in the shop" testID="loading" />
        ) : state === 'not-a-lead' ? (
          <Notice
            icon="slash"
            title="Leads see to people"
            text="You are a technician of the shop: ask one of its leads."
            testID="not-a-lead"
          />
        ) : (
          <>
            <Notice
              icon="wifi-off"
              title="The server is not reached"
              text="People are on the server alone."
              testID="failed"
            />
            <Button icon="refresh-cw" label="Try again" testID="people-again" onPress={again} />
          </>
        )}
      </Screen>
    );
  return (
    <Screen title="People" back="/account">
      <ScrollView contentContainerStyle={styles.inner} testID="people">
        {refused !== undefined && (
          <Type weight="strong" tone="bad" role="alert" testID="people-refused">
            {refused}
          </Type>
        )}
        {made ? (
          <LinkCard
            title={`Give this link to ${made.for}`}
            url={`${globalThis.location?.origin ?? ''}/join#${made.link}`}
            says={`It works once, until ${sayWhen(new Date(made.expiresAt))}, and is not shown again.`}
            done={() => setMade(undefined)}
          />
        ) : (
          <View style={styles.row}>
            <Button
              look="act"
              icon="user-plus"
              label="Invite a technician"
              testID="invite-technician"
              style={styles.grow}
              onPress={() => makeLink('the new technician', { role: 'technician' })}
            />
            <Button
              icon="user-plus"
              label="Invite a lead"
              testID="invite-lead"
              onPress={() => makeLink('the new lead', { role: 'lead' })}
            />
          </View>
        )}
        {people.map((person) => (
          <OnePerson
            key={person.id}
            person={person}
            change={change}
            reset={() => makeLink(person.name, { person: person.id })}
          />
        ))}
        <Invitations
          invitations={invitations}
          people={people}
          withdraw={(id) => void change(() => withdrawInvitation(who, id))}
        />
        <CustomerCard changed={again} />
        <DoorLog lines={lines} />
      </ScrollView>
    </Screen>
  );
}

function OnePerson({
  person: { id, name, email, role, lastSignIn },
  change,
  reset,
}: {
  person: Person;
  change: (run: () => Promise<unknown>) => Promise<void>;
  reset: () => void;
}) {
  const who = useWho();
  const me = useAppSelector((state) => state.account.account?.person) === id;
  const [asked, setAsked] = useState(false);
  const other: Role = role === 'lead' ? 'technician' : 'lead';
  return (
    <Card testID={`person-${email}`}>
      <Type weight="heavy" role="heading" aria-level={2}>
        {name}
        {me ? ' (you)' : ''}
      </Type>
      <Type size="small" tone="soft">
        {role === 'lead' ? 'Lead' : 'Technician'} · {email} ·{' '}
        {lastSignIn === null
          ? 'not signed in anywhere'
          : `signed in ${sayWhen(new Date(lastSignIn))}`}
      </Type>
      <View style={styles.row}>
        <Button
          icon="repeat"
          label={role === 'lead' ? 'Make a technician' : 'Make a lead'}
          hint={`Make ${name} a ${other}`}
          testID={`role-${email}`}
          onPress={() => void change(() => setRole(who, id, other))}
        />
        {!me && (
          <Button
            icon="key"
            label="New password"
            hint={`A link for a new password for ${name}`}
            testID={`reset-${email}`}
            onPress={reset}
          />
        )}
        {!me && (
          <Button
            icon="user-x"
            label={asked ? `Yes, ${name} is out` : 'Take out'}
            hint={asked ? `Yes, take ${name} out of the shop` : `Take ${name} out of the shop`}
            testID={`${asked ? 'out-sure' : 'out'}-${email}`}
            onPress={() => (asked ? void change(() => takeOut(who, id)) : setAsked(true))}
          />
        )}
      </View>
      {asked && (
        <Type size="small" tone="warn">
          What they entered stays. They are signed out everywhere at once.
        </Type>
      )}
    </Card>
  );
}

function Invitations({
  invitations,
  people,
  withdraw,
}: {
  invitations: readonly Invitation[];
  people: readonly Person[];
  withdraw: (id: string) => void;
}) {
  if (invitations.length === 0) return null;
  return (
    <Card testID="invitations">
      <Type weight="heavy" role="heading" aria-level={2}>
        Links that still work
      </Type>
      {invitations.map(({ id, role, person, expiresAt }) => (
        <View key={id} style={styles.line}>
          <Type style={styles.grow}>
            {person === null
              ? `For a new ${role}`
              : `New password for ${people.find((each) => each.id === person)?.name ?? 'somebody'}`}
            , until {sayWhen(new Date(expiresAt))}
          </Type>
          <Button
            icon="x"
            label="Withdraw"
            testID={`withdraw-${id}`}
            onPress={() => withdraw(id)}
          />
        </View>
      ))}
    </Card>
  );
}

/** Lines that are shown before more are asked for. */
const FIRST_LINES = 8;

function DoorLog({ lines }: { lines: readonly AuditLine[] }) {
  const [all, setAll] = useState(false);
  return (
    <Card testID="door-log">
      <Type weight="heavy" role="heading" aria-level={2}>
        What happened at the door
      </Type>
      {lines
        .slice(0, all ? undefined : FIRST_LINES)
        .map(({ id, at, name, what, about, address }) => (
          <Type key={id} size="small">
            {sayWhen(new Date(at))}: {name ?? about ?? 'somebody'} {what}
            {name !== null && about !== null ? ` (${about})` : ''}
            {address === null ? '' : `, from ${address}`}
          </Type>
        ))}
      {lines.length > FIRST_LINES && !all && (
        <Button
          look="bare"
          icon="chevron-down"
          label={`All ${lines.length}`}
          testID="door-log-all"
          onPress={() => setAll(true)}
        />
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 720, alignSelf: 'center' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  line: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  grow: { flexGrow: 1, flexShrink: 1 },
});
