import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import { DEMO_SHOP } from '../../../contract/account';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { become } from '../../sync/account';
import { changePassword, signOut } from '../../sync/door';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { RowLink } from '../../ui/RowLink';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { DoorForm } from './DoorForm';

/** Who works here, and how they stop. */
export function AccountScreen() {
  const account = useAppSelector((state) => state.account.account);
  if (!account) return null;
  const { name, email, role, shopName, shop, person } = account;
  const demo = shop === DEMO_SHOP;
  return (
    <Screen title={demo ? 'The demo' : name} under={shopName} back="/">
      <ScrollView contentContainerStyle={styles.inner} testID="account">
        {demo ? (
          <Card testID="account-demo">
            <Type tone="soft">
              Everything here is made up. Your own shop has calls, diagrams and people of its own.
            </Type>
            <SignOutButtons demo />
          </Card>
        ) : (
          <>
            <Card testID="account-who">
              <Type weight="heavy">{email}</Type>
              <Type tone="soft">
                {role === 'lead' ? 'Lead: sees to people and links' : 'Technician'} of {shopName}
              </Type>
            </Card>
            {role === 'lead' && (
              <RowLink href="/people" name="People" testID="people-link">
                <Type weight="strong">People</Type>
                <Type size="small" tone="soft">
                  Invite somebody, help with a password, see what happened at the door
                </Type>
              </RowLink>
            )}
            <PasswordCard person={person} />
            <Card testID="account-out">
              <SignOutButtons />
            </Card>
          </>
        )}
      </ScrollView>
    </Screen>
  );
}

function PasswordCard({ person }: { person: string }) {
  const [round, setRound] = useState(0);
  const [changed, setChanged] = useState(false);
  return (
    <Card testID="account-password">
      <Type weight="heavy" role="heading" aria-level={2}>
        Another password
      </Type>
      <DoorForm
        key={round}
        id="password"
        asks={[
          { name: 'now', label: 'The one you have now', kind: 'password' },
          { name: 'next', label: 'The new one, 12 letters or more', kind: 'new-password' },
        ]}
        button={{ label: 'Change it', icon: 'check' }}
        send={async ({ now = '', next = '' }) => {
          setChanged(false);
          await changePassword(person, now, next);
          setChanged(true);
          setRound(round + 1);
        }}
      />
      {changed && (
        <Type weight="strong" role="status" testID="password-changed">
          It is changed. Everybody who was signed in with the old one is out, but for you here.
        </Type>
      )}
    </Card>
  );
}

/** Signing out with writes waiting says so: they stay on the device, for nobody else. */
function SignOutButtons({ demo = false }: { demo?: boolean }) {
  const dispatch = useAppDispatch();
  const account = useAppSelector((state) => state.account.account);
  const items = useAppSelector((state) => state.outbox.items);
  const waiting = items.filter((each) => !each.refused);
  const unkept = waiting.filter((each) => each.unkept).length;
  const [asked, setAsked] = useState(false);
  if (!account) return null;
  const leave = async (everywhere: boolean): Promise<void> => {
    // Without the server the device forgets them all the same, and does not ask with the old session again.
    await signOut(account.person, everywhere).catch(() => undefined);
    await dispatch(become(null));
    router.replace('/');
  };
  if (waiting.length > 0 && !asked && !demo)
    return (
      <>
        <Type weight="strong" tone="warn" testID="out-waiting">
          {waiting.length} of your entries wait on this device for the server. They stay here, for
          nobody else to see, and are sent when you sign in on this device again.
          {unkept > 0 &&
            ` ${unkept} of them could not be kept and go with this page: save them to a file first.`}
        </Type>
        <Button
          icon="log-out"
          label="Sign out all the same"
          testID="out-asked"
          onPress={() => setAsked(true)}
        />
      </>
    );
  return (
    <>
      <Button
        look={demo ? 'act' : 'quiet'}
        icon="log-out"
        label={demo ? 'Leave the demo, to your own shop' : 'Sign out here'}
        testID="sign-out"
        onPress={() => void leave(false)}
      />
      {!demo && (
        <Button
          icon="slash"
          label="Sign out everywhere"
          testID="sign-out-everywhere"
          onPress={() => void leave(true)}
        />
      )}
    </>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 620, alignSelf: 'center' },
});
