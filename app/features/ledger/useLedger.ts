import { useMemo } from 'react';
import type { CallDetail } from '../../../contract/call';
import { causesAsked, protectorsTouched, type CauseAsked } from '../../../core/call/causesAsked';
import { ledgerOf } from '../../../core/call/ledger';
import type { LedgerLine } from '../../../core/call/ledgerLine';

export interface Ledger {
  open: LedgerLine[];
  closed: LedgerLine[];
  causes: CauseAsked[];
  /** Protectors of this unit that were changed or reset in this call, where there is more than one. */
  protectors: string[];
}

/** What has to be put right on a call before it is finished, and what has been. */
export function useLedger({ diagram, entries }: Pick<CallDetail, 'diagram' | 'entries'>): Ledger {
  return useMemo(() => {
    const lines = ledgerOf(diagram, entries);
    return {
      open: lines.filter((each) => !each.closed),
      closed: lines.filter((each) => each.closed),
      causes: causesAsked(diagram, entries),
      protectors: protectorsTouched(diagram, entries),
    };
  }, [diagram, entries]);
}
