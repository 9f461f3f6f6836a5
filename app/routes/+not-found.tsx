import { router } from 'expo-router';
import { Button } from '../ui/Button';
import { Notice } from '../ui/Notice';
import { Screen } from '../ui/Screen';

export default function NotFound() {
  return (
    <Screen title="Not here" back="/">
      <Notice icon="map" title="There is no such page" testID="not-found">
        <Button
          look="act"
          label="To the calls"
          testID="to-calls"
          onPress={() => router.replace('/')}
        />
      </Notice>
    </Screen>
  );
}
