import { router } from 'expo-router';
import type { Account } from '../../../contract/account';
import { loadDiagrams } from '../../state/diagrams';
import { useAppDispatch } from '../../state/hooks';
import { become } from '../../sync/account';
import { restoreOutbox } from '../../sync/outbox';

/** Somebody has come in: the device is theirs, what they had waiting is sent, and their calls come. */
export function useComeIn(): (account: Account) => Promise<void> {
  const dispatch = useAppDispatch();
  return async (account) => {
    await dispatch(become(account));
    await dispatch(restoreOutbox());
    // Their diagrams come onto the device too: a call can be opened without the server.
    void dispatch(loadDiagrams());
    router.replace('/');
  };
}
