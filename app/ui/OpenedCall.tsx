import { useEffect, type ReactNode } from 'react';
import type { CallDetail } from '../../contract/call';
import { loadCall } from '../state/calls';
import { selectCall } from '../state/callView';
import { useAppDispatch, useAppSelector } from '../state/hooks';
import { Button } from './Button';
import { CallOpening } from './CallOpening';
import { Screen } from './Screen';

interface Props {
  callId: string;
  /** What the screen is called while the call is read. */
  title: string;
  back?: string;
  children: (call: CallDetail) => ReactNode;
}

/** A screen of a call, once the call is there; what it says until then, and when it cannot be read. */
export function OpenedCall({ callId, title, back = `/call/${callId}`, children }: Props) {
  const dispatch = useAppDispatch();
  const call = useAppSelector((state) => selectCall(state, callId));
  const loading = useAppSelector((state) => state.calls.openState[callId]);
  useEffect(() => {
    void dispatch(loadCall(callId));
  }, [dispatch, callId]);
  if (call) return children(call);
  return (
    <Screen title={title} back={back}>
      <CallOpening failed={loading === 'failed'}>
        <Button
          label="Try again"
          icon="refresh-cw"
          testID="retry"
          onPress={() => void dispatch(loadCall(callId))}
        />
      </CallOpening>
    </Screen>
  );
}
