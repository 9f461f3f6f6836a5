import { useCallback, useEffect, useState } from 'react';
import type { CallReport } from '../../../core/describe/report';
import { useAppSelector, useWho } from '../../state/hooks';
import { fetchReport } from '../../sync/api';

export interface ReportRead {
  report: CallReport | undefined;
  /** It is from the last time that the server answered. */
  stale: boolean;
  failed: boolean;
  again: () => void;
}

/** The report of a call as the server makes it; read anew when what waited has been sent. */
export function useReport(callId: string): ReportRead {
  const who = useWho();
  const waits = useAppSelector((state) => state.outbox.items.length);
  const [read, setRead] = useState<{ report: CallReport; stale: boolean }>();
  const [failed, setFailed] = useState(false);
  const [tries, setTries] = useState(0);
  useEffect(() => {
    let wanted = true;
    fetchReport(who, callId).then(
      ({ value, stale }) => {
        if (!wanted) return;
        setRead({ report: value, stale });
        setFailed(false);
      },
      () => {
        if (wanted) setFailed(true);
      },
    );
    return () => {
      wanted = false;
    };
  }, [who, callId, waits, tries]);
  const again = useCallback(() => setTries((before) => before + 1), []);
  return { report: read?.report, stale: read?.stale ?? false, failed, again };
}
