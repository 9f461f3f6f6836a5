import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import type { Door } from '../../../contract/account';
import { comeIn, fetchDoor } from '../../sync/door';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { DoorForm } from './DoorForm';
import { FOUNDING } from './asks';
import { useComeIn } from './useComeIn';

/** Who is not signed in: sign in, found a shop, or look around in the demo. */
export function DoorScreen() {
  const enter = useComeIn();
  const [door, setDoor] = useState<Door | 'away'>();
  const [founding, setFounding] = useState(false);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let wanted = true;
    fetchDoor().then(
      (said) => wanted && setDoor(said),
      () => wanted && setDoor('away'),
    );
    return () => {
      wanted = false;
    };
  }, [tries]);
  const said = door === 'away' ? undefined : door;
  const found = founding || said?.first === true;
  return (
    <Screen title={found ? 'Found a shop' : 'Sign in'}>
      <ScrollView contentContainerStyle={styles.inner} testID="door">
        {door === 'away' && (
          <>
            <Notice
              icon="wifi-off"
              title="The server is not reached"
              text="Signing in needs it once. After that calls can be opened and worked without it."
              testID="door-away"
            />
            <Button
              icon="refresh-cw"
              label="Try again"
              testID="door-again"
              onPress={() => setTries(tries + 1)}
            />
          </>
        )}
        {said?.demo && (
          <Card testID="door-demo">
            <Type weight="heavy" role="heading" aria-level={2}>
              Just looking?
            </Type>
            <Type tone="soft">A made-up shop with calls in every stage. Break what you like.</Type>
            <Button
              look={said.first ? 'quiet' : 'act'}
              icon="eye"
              label="Look around in the demo"
              testID="look-around"
              onPress={() => void comeIn('session/demo', {}).then(enter, () => setDoor('away'))}
            />
          </Card>
        )}
        {found ? (
          <Card testID="door-found">
            <Type tone="soft">
              {said?.first
                ? 'Nobody works here yet. You are the first lead: you invite the others, and what was entered on this server before is your shop’s.'
                : 'You are its first lead and invite the others.'}
            </Type>
            <DoorForm
              id="found"
              asks={FOUNDING}
              button={{ label: 'Found the shop', icon: 'check' }}
              send={async (typed) => enter(await comeIn('shops', typed))}
            />
          </Card>
        ) : (
          <Card testID="door-sign-in">
            <DoorForm
              id="sign-in"
              asks={[
                { name: 'email', label: 'E-mail address', kind: 'email' },
                { name: 'password', label: 'Password', kind: 'password' },
              ]}
              button={{ label: 'Sign in', icon: 'log-in' }}
              send={async (typed) => enter(await comeIn('session', typed))}
            />
            <Type size="small" tone="soft">
              Forgotten? A lead of your shop makes you a link for a new password, under People.
            </Type>
          </Card>
        )}
        {(said?.founding || said?.first) && (
          <Button
            look="bare"
            icon={found ? 'log-in' : 'plus'}
            label={found ? 'I have an account: sign in' : 'Found a shop of your own'}
            testID="door-other"
            onPress={() => {
              setFounding(!found);
              if (said.first) setDoor({ ...said, first: false });
            }}
          />
        )}
      </ScrollView>
    </Screen>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 520, alignSelf: 'center' },
});
