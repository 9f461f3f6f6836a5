import { refreshAccount, whoIn } from '../sync/account';
import { hearChanges } from '../sync/changes';
import { freshenCalls, loadCall } from './calls';
import type { AppStore } from './store';

/** Many changes at one time are one look at the list. */
const TOGETHER_MS = 1500;

/** Brings what others change: the calls that are open here, and the list. For whoever works here, one after the other. */
export function heedChanges({ dispatch, getState, subscribe }: AppStore): void {
  let who = '';
  let deaf = (): void => undefined;
  let list: ReturnType<typeof setTimeout> | undefined;
  const freshenOpen = (wanted: (id: string) => boolean): void => {
    for (const id of Object.keys(getState().calls.open).filter(wanted)) void dispatch(loadCall(id));
  };
  const hear = ({ call }: { call: string }): void => {
    freshenOpen(call === '' ? isInSight : (id) => id === call);
    list ??= setTimeout(() => {
      list = undefined;
      dispatch(freshenCalls(getState().calls.search));
    }, TOGETHER_MS);
  };
  const begin = (): void => {
    const now = whoIn(getState());
    if (now === who) return;
    who = now;
    deaf();
    deaf = who === '' ? () => undefined : hearChanges(who, hear, () => freshenOpen(isInSight));
    if (who !== '' && !getState().account.heard) void dispatch(refreshAccount());
  };
  begin();
  subscribe(begin);
}

/** Calls that were opened earlier are read again when they are opened again. */
const isInSight = (id: string): boolean => globalThis.location?.pathname.includes(id) ?? false;
