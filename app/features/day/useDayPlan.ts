import { useEffect, useMemo, useState } from 'react';
import type { CallDetail, CallSummary } from '../../../contract/call';
import { evidenceOf, refusalsOf } from '../../../core/call/log';
import { lastOf } from '../../../core/call/takenBack';
import type { Need, StockItem } from '../../../core/decide/truckStock';
import { guessedPrice, minutesToChange } from '../../../core/decide/usualFigures';
import type { WayOfWorking } from '../../../core/plan/wayOfWorking';
import { isReplaced } from '../../../core/describe/remedy';
import { loadCall, loadCalls } from '../../state/calls';
import { selectCall, selectCalls } from '../../state/callView';
import { diagramKey } from '../../state/diagrams';
import { useAppDispatch, useAppSelector, useAppStore } from '../../state/hooks';
import type { Loading } from '../../state/loading';
import { useSame } from '../../state/useSame';
import { stockKey } from '../../state/settings';
import { askWorker } from '../../workers/diagnosis';

/** Calls that a day holds; what is open beyond them waits for another. */
const MOST_CALLS = 12;
/** A part less probable than this is not carried for a call. */
const WORTH = 0.01;

/** One call of the day: how long it is expected to take, and what it may need. */
export interface PlannedCall {
  call: CallSummary;
  /** Minutes until the part is known, and to put it in; undefined until they are worked out. */
  find: number | undefined;
  mend: number | undefined;
  needs: (Need & { name: string })[];
}

export interface DayPlan {
  calls: PlannedCall[];
  items: (StockItem & { name: string })[];
  /** Calls that are still worked out. */
  left: number;
  /** How the list of calls stands. */
  list: Loading;
}

interface Worked {
  find: number;
  mend: number;
  needs: (Need & { name: string })[];
  items: (StockItem & { name: string })[];
}

/** The open calls in the order of their places, each with what the worker expects of it; one after the other. */
export function useDayPlan(): DayPlan {
  const dispatch = useAppDispatch();
  const store = useAppStore();
  const list = useAppSelector((state) => state.calls.listState);
  const { way, shopPriors } = useAppSelector((state) => state.settings);
  const all = useAppSelector(selectCalls);
  const open = useMemo(
    () =>
      all
        .filter(({ stage }) => stage === 'open')
        .slice(0, MOST_CALLS)
        .sort((one, two) =>
          one.appliance.place.localeCompare(two.appliance.place, undefined, { numeric: true }),
        ),
    [all],
  );
  // The same calls stay the same thing while nothing was entered for them.
  const calls = useSame(open, open.map(({ id, lastAt }) => `${id} ${lastAt}`).join());
  // Who opens the day first has no list yet.
  useEffect(() => {
    void dispatch(loadCalls(''));
  }, [dispatch]);
  const [worked, setWorked] = useState<Record<string, Worked>>({});
  useEffect(() => {
    let wanted = true;
    const work = async (): Promise<void> => {
      for (const { id } of calls) {
        await dispatch(loadCall(id));
        const call = selectCall(store.getState(), id);
        if (!wanted) return;
        if (!call) continue;
        const done = await expect(call, way, shopPriors).catch(() => undefined);
        if (!wanted) return;
        if (done) setWorked((before) => ({ ...before, [id]: done }));
      }
    };
    void work();
    return () => {
      wanted = false;
    };
  }, [dispatch, store, way, shopPriors, calls]);
  const items = new Map(
    calls.flatMap(({ id }) => (worked[id]?.items ?? []).map((each) => [each.key, each] as const)),
  );
  return {
    calls: calls.map((call) => ({
      call,
      find: worked[call.id]?.find,
      mend: worked[call.id]?.mend,
      needs: worked[call.id]?.needs ?? [],
    })),
    items: [...items.values()],
    left: calls.filter(({ id }) => !worked[id]).length,
    list,
  };
}

/** What is expected of one call: by its verdict, where one was taken over, else by what the worker makes of its log. */
async function expect(call: CallDetail, way: WayOfWorking, shopPriors: boolean): Promise<Worked> {
  const { diagram, diagramId, entries } = call;
  const { evidence } = evidenceOf(diagram, entries);
  const found = lastOf(entries, 'found')?.body;
  const answer = found
    ? undefined
    : await askWorker({
        ask: 'findings',
        key: diagramKey(diagramId, call.diagramVersion),
        diagram,
        entries: evidence,
        way: { ...way, refusals: refusalsOf(entries) },
        found: shopPriors ? call.foundBefore : undefined,
      });
  const findings = answer?.kind === 'findings' ? answer.findings : undefined;
  const suspects = found
    ? [{ id: found.part, probability: found.chance, replaced: true }]
    : (findings?.suspects ?? []).map(({ id, probability, faults }) => ({
        id,
        probability,
        replaced: isReplaced(diagram, faults),
      }));
  const parts = suspects.flatMap(({ id, probability, replaced }) => {
    const part = diagram.parts.find((each) => each.id === id);
    return part && replaced && probability >= WORTH ? [{ part, probability }] : [];
  });
  return {
    find: findings?.tests[0]?.expected ?? 0,
    mend: parts.reduce(
      (sum, { part, probability }) => sum + probability * minutesToChange(diagram, part),
      0,
    ),
    needs: parts.map(({ part, probability }) => ({
      key: stockKey(diagramId, part.id),
      chance: probability,
      name: part.name,
    })),
    items: parts.map(({ part }) => ({
      key: stockKey(diagramId, part.id),
      price: guessedPrice(part),
      name: `${part.name}, ${diagram.kind}`,
    })),
  };
}
