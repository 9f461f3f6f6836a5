import { useEffect, useState } from 'react';

const MINUTE_MS = 60_000;

/** The time, looked at once a minute: what lapses with time is seen to lapse. */
export function useMinute(): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const timer = setInterval(() => setNow(Date.now()), MINUTE_MS);
    return () => clearInterval(timer);
  }, []);
  return now;
}
