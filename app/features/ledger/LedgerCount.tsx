import { router } from 'expo-router';
import { useDeferredValue } from 'react';
import { StyleSheet } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { Button } from '../../ui/Button';
import { space } from '../../theme/theme';
import { useLedger } from './useLedger';

/** In sight on every screen of a call: how much has to be put back before it is finished. */
export function LedgerCount({ call }: { call: CallDetail }) {
  // What an entry means comes first: the count may be a moment late.
  const { open } = useLedger(useDeferredValue(call));
  if (open.length === 0) return null;
  return (
    <Button
      icon="clipboard"
      label={`${open.length}`}
      hint={`${open.length} to put back before the call is finished`}
      testID="ledger-count"
      onPress={() => router.navigate(`/call/${call.id}/ledger`)}
      style={styles.count}
    />
  );
}

const styles = StyleSheet.create({ count: { paddingHorizontal: space.m } });
