import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { useAppSelector, useWho } from '../../state/hooks';
import { fetchCallFile } from '../../sync/api';
import { callOf } from '../../sync/outboxItem';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { saveFile, shareFile } from '../../ui/saveAs';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

/** The files of a call: its report for the customer and for the trade, its log, its readings, a return visit. */
export function ReportFiles({ call }: { call: CallDetail }) {
  const who = useWho();
  const { items } = useAppSelector((state) => state.outbox);
  const currency = useAppSelector((state) => state.settings.currency);
  const [making, setMaking] = useState<string>();
  const [failed, setFailed] = useState(false);
  const [more, setMore] = useState(false);
  const [when, setWhen] = useState('');
  const [asked, setAsked] = useState(false);
  const waits = items.filter((each) => callOf(each) === call.id && !each.refused).length;
  const name = `${call.appliance.make}-${call.appliance.model}`.replace(/[^A-Za-z0-9-]+/g, '-');
  const bring = async (path: string, ending: string, share = false): Promise<void> => {
    setMaking(path);
    setFailed(false);
    try {
      const file = await fetchCallFile(who, call.id, path);
      if (share) await shareFile(`${name}.${ending}`, file);
      else saveFile(`${name}.${ending}`, file);
    } catch {
      setFailed(true);
    }
    setMaking(undefined);
  };
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const pdf = (reader: string): string =>
    `report.pdf?${new URLSearchParams({ for: reader, zone, currency })}`;
  const at = momentIn(when);
  return (
    <Card testID="report-files">
      {waits > 0 && (
        <Type weight="strong" tone="warn" testID="report-waits">
          {waits} entries wait on this device and are not in it yet.
        </Type>
      )}
      <View style={styles.row}>
        <Button
          look="act"
          icon="file-text"
          label="PDF for the customer"
          testID="pdf-customer"
          style={styles.grow}
          disabled={making !== undefined}
          onPress={() => void bring(pdf('customer'), 'pdf')}
        />
        <Button
          icon="upload"
          label="Share it"
          testID="pdf-share"
          disabled={making !== undefined}
          onPress={() => void bring(pdf('customer'), 'pdf', true)}
        />
      </View>
      <Button
        icon={more ? 'chevron-up' : 'chevron-down'}
        label="More files, and a return visit"
        testID="more-files"
        selected={more}
        onPress={() => setMore(!more)}
      />
      {more && (
        <>
          <View style={styles.row}>
            <Button
              icon="file-text"
              label="PDF for the trade"
              testID="pdf-trade"
              onPress={() => void bring(pdf('trade'), 'trade.pdf')}
            />
            <Button
              icon="download"
              label="Log, CSV"
              testID="log-csv"
              onPress={() => void bring('log.csv', 'log.csv')}
            />
            <Button
              icon="download"
              label="Log, JSON"
              testID="log-json"
              onPress={() => void bring('log.json', 'log.json')}
            />
            <Button
              icon="download"
              label="Readings, CSV"
              testID="readings-csv"
              onPress={() => void bring('readings.csv', 'readings.csv')}
            />
          </View>
          <View style={styles.row}>
            <View style={styles.grow}>
              <Field
                label="A return visit, as 2026-12-01 9:00"
                testID="return-at"
                value={when}
                onChangeText={setWhen}
                maxLength={20}
                {...(asked && !at && { fault: 'Day and time, such as 2026-12-01 9:00.' })}
              />
            </View>
            <Button
              icon="clock"
              label="To the calendar"
              testID="return-ics"
              onPress={() => {
                setAsked(true);
                if (at) void bring(`return.ics?at=${at.toISOString()}`, 'ics');
              }}
            />
          </View>
        </>
      )}
      {failed && (
        <Type weight="strong" tone="bad" role="alert" testID="file-failed">
          The file could not be made: the server is away. Try again when it is back.
        </Type>
      )}
    </Card>
  );
}

/** A day and a time of the device's own zone; undefined for what is none. */
function momentIn(text: string): Date | undefined {
  const [, day, time] = /^\s*(\d{4}-\d{2}-\d{2})[ T]+(\d{1,2}:\d{2})\s*$/.exec(text) ?? [];
  if (day === undefined || time === undefined) return undefined;
  const at = new Date(`${day}T${time.padStart(5, '0')}`);
  return Number.isNaN(at.getTime()) ? undefined : at;
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'flex-end', gap: space.s },
  grow: { flexGrow: 1, flexBasis: 180, maxWidth: '100%' },
});
