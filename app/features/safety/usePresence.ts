import { useEffect, useState } from 'react';

/** Away from a call for so long, somebody may have been at the plug: ten minutes, from memory. */
const AWAY_MS = 10 * 60_000;
const LOOKED_AT_MS = 30_000;

interface Presence {
  /** When the call was opened on this device, and when it was last on its screen. */
  opened: number;
  seen: number;
}

const nameOf = (callId: string): string => `yarrix/presence/${callId}`;

/** What this device knows; nothing where it keeps nothing, and so what others acknowledged does not count. */
function known(callId: string): Presence | undefined {
  try {
    const { opened, seen } = JSON.parse(
      localStorage.getItem(nameOf(callId)) ?? '{}',
    ) as Partial<Presence>;
    return opened === undefined || seen === undefined ? undefined : { opened, seen };
  } catch {
    return undefined;
  }
}

function keep(callId: string, presence: Presence): void {
  try {
    localStorage.setItem(nameOf(callId), JSON.stringify(presence));
  } catch {
    // Without a place to keep it the call counts as opened anew, which is the safe side.
  }
}

/**
 * Since when somebody has been at a call with this device, in milliseconds: what was acknowledged before, on another device or
 * ten minutes and more before it was opened again, has to be acknowledged anew.
 */
export function usePresence(callId: string): number {
  const [since] = useState(() => {
    const now = Date.now();
    const before = known(callId);
    const opened = before && now - before.seen < AWAY_MS ? before.opened : now;
    keep(callId, { opened, seen: now });
    return opened;
  });
  useEffect(() => {
    const look = (): void => keep(callId, { opened: since, seen: Date.now() });
    const timer = setInterval(look, LOOKED_AT_MS);
    return () => {
      clearInterval(timer);
      look();
    };
  }, [callId, since]);
  return since;
}
