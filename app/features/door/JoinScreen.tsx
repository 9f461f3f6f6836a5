import { useEffect, useState } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import type { LinkSaid } from '../../../contract/people';
import { Refusal } from '../../sync/api';
import { comeIn, lookAtLink } from '../../sync/door';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { DoorForm } from './DoorForm';
import { NEW_PERSON } from './asks';
import { useComeIn } from './useComeIn';

/** The link stands behind the #, which no server and no log between here and there gets to see. */
const linkHere = (): string => globalThis.location?.hash.slice(1) ?? '';

type Looked = { said: LinkSaid } | { why: string; again: boolean };

/** Somebody has opened a link of a lead: to join the shop, or for a new password. */
export function JoinScreen() {
  const enter = useComeIn();
  const [link] = useState(linkHere);
  const [looked, setLooked] = useState<Looked>();
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let wanted = true;
    lookAtLink(link).then(
      (said) => wanted && setLooked({ said }),
      (error: unknown) =>
        wanted &&
        setLooked(
          error instanceof Refusal
            ? { why: error.problem.title, again: false }
            : { why: 'The server is not reached, and a link needs it.', again: true },
        ),
    );
    return () => {
      wanted = false;
    };
  }, [link, tries]);
  if (!looked)
    return (
      <Screen title="Come in" back="/">
        <Notice icon="loader" title="Looking at the link" testID="loading" />
      </Screen>
    );
  if ('why' in looked)
    return (
      <Screen title="Come in" back="/">
        <Notice
          icon="alert-triangle"
          title="This link does not let you in"
          text={looked.why}
          testID="link-dead"
        />
        {looked.again && (
          <Button
            icon="refresh-cw"
            label="Try again"
            testID="link-again"
            onPress={() => setTries(tries + 1)}
          />
        )}
      </Screen>
    );
  const { shopName, role, name } = looked.said;
  return (
    <Screen title={name === null ? `Join ${shopName}` : 'A new password'} back="/">
      <ScrollView contentContainerStyle={styles.inner}>
        <Card testID="join">
          <Type tone="soft">
            {name === null
              ? `You come in as a ${role}. The link works once, and for you alone.`
              : `For ${name}, in ${shopName}. Whoever is signed in with the old one is out then.`}
          </Type>
          <DoorForm
            id="join"
            asks={
              name === null ? NEW_PERSON : NEW_PERSON.filter((each) => each.name === 'password')
            }
            button={{
              label: name === null ? 'Join the shop' : 'Take this password',
              icon: 'check',
            }}
            send={async (typed) =>
              enter(await comeIn(name === null ? 'links/join' : 'links/reset', { ...typed, link }))
            }
          />
        </Card>
      </ScrollView>
    </Screen>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 520, alignSelf: 'center' },
});
