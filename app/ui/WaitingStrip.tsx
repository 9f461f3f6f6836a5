import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { useAppSelector } from '../state/hooks';
import type { OutboxItem } from '../sync/outboxItem';
import { space, useTheme } from '../theme/theme';
import { Button } from './Button';
import { Chip } from './Chip';
import { saveAs } from './saveAs';
import { sayTime } from './sayTime';

/** A clock that is off by more is told: times in the log are then put right by the server's. */
const CLOCK_OFF_MS = 60_000;

/** What is sent sooner is not spoken of: the page would move under a thumb with every entry. */
const SLOW_MS = 2000;

/** What waits on this device and since when, and whether anything may be lost with it. */
export function WaitingStrip() {
  const palette = useTheme();
  const { items, away, skewMs } = useAppSelector((state) => state.outbox);
  const waiting = items.filter((each) => !each.refused);
  const unkept = waiting.filter((each) => each.unkept);
  const off = Math.abs(skewMs) > CLOCK_OFF_MS;
  const oldest = waiting.length ? sinceOf(waiting) : undefined;
  const slow = useSlow(oldest);
  if (waiting.length === 0 && away === null && !off) return null;
  if (away === null && !off && !slow && unkept.length === 0)
    return <View testID="waiting" style={styles.unseen} />;
  return (
    <View
      style={[
        styles.strip,
        { backgroundColor: palette[unkept.length ? 'badGround' : 'warnGround'] },
      ]}
    >
      {(waiting.length > 0 || away !== null) && (
        <View testID="waiting" aria-live="polite" style={styles.says}>
          <Chip
            tone="warn"
            icon={away === null ? 'upload' : 'wifi-off'}
            label={says(waiting, away)}
          />
        </View>
      )}
      {unkept.length > 0 && (
        <Chip
          tone="bad"
          icon="alert-triangle"
          label={`This device keeps nothing: ${unkept.length} will go with this page`}
          testID="unkept"
        />
      )}
      {off && <Chip tone="warn" icon="clock" label={sayClock(skewMs)} testID="clock-off" />}
      {away !== null && waiting.length > 0 && (
        <Button
          look="bare"
          icon="save"
          label="Save to a file"
          testID="save-waiting"
          onPress={() => saveWaiting(items)}
        />
      )}
    </View>
  );
}

const sinceOf = (waiting: readonly OutboxItem[]): number =>
  Math.min(...waiting.map((each) => each.since));

/** Whether what waits since then has waited for long; undefined for nothing. */
function useSlow(oldest: number | undefined): boolean {
  const [slow, setSlow] = useState<number>();
  useEffect(() => {
    if (oldest === undefined) return;
    // Of a clock that was set back nothing is expected.
    const left = Math.min(SLOW_MS, Math.max(0, oldest + SLOW_MS - Date.now()));
    const timer = setTimeout(() => setSlow(oldest), left);
    return () => clearTimeout(timer);
  }, [oldest]);
  return oldest !== undefined && slow === oldest;
}

function says(waiting: readonly OutboxItem[], away: string | null): string {
  const count = waiting.length;
  if (away === null) return `Sending ${count}`;
  if (count === 0) return 'No server. What you enter is kept here';
  const at = sayTime(new Date(sinceOf(waiting)));
  return `No server. ${count} kept on this device since ${at}, sent when it is back`;
}

/** @param skewMs what the phone's clock lacks to the server's */
function sayClock(skewMs: number): string {
  const minutes = Math.round(Math.abs(skewMs) / 60_000);
  const much = minutes < 120 ? `${minutes} min` : `${Math.round(minutes / 60)} h`;
  return `This device’s clock is ${much} ${skewMs > 0 ? 'behind' : 'ahead'}; the log goes by the server’s`;
}

/** Everything that waits or was refused, as a file that a person can carry away: no server is needed. */
export function saveWaiting(items: readonly OutboxItem[]): void {
  const file = {
    format: 'yarrix-outbox',
    version: 1,
    savedAt: new Date().toISOString(),
    items,
  };
  saveAs('yarrix-waiting.json', 'application/json', JSON.stringify(file, null, 2));
}

const styles = StyleSheet.create({
  strip: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.xs,
    paddingHorizontal: space.s,
    paddingVertical: space.xs,
  },
  says: { flexShrink: 1 },
  unseen: { height: 0 },
});
