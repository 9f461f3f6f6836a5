import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { truckStock } from '../../../core/decide/truckStock';
import { sayChance } from '../../../core/describe/chance';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { change } from '../../state/settings';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Chip } from '../../ui/Chip';
import { Notice } from '../../ui/Notice';
import { NumberField } from '../../ui/NumberField';
import { RowLink } from '../../ui/RowLink';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { KindMinutesCard } from './KindMinutesCard';
import { useDayPlan, type DayPlan, type PlannedCall } from './useDayPlan';

/** The day: its calls by place with what they are expected to take, and the parts that go on the truck. */
export function DayScreen() {
  const plan = useDayPlan();
  const minutes = plan.calls.reduce((sum, { find = 0, mend = 0 }) => sum + find + mend, 0);
  return (
    <Screen title="The day" back="/">
      <ScrollView contentContainerStyle={styles.inner} testID="day">
        {plan.calls.length === 0 ? (
          <NoCalls list={plan.list} />
        ) : (
          <>
            {plan.left > 0 && (
              <Chip
                label={`${plan.left} of ${plan.calls.length} still worked out`}
                icon="loader"
                testID="day-left"
              />
            )}
            <Truck plan={plan} />
            <Type weight="heavy" role="heading" aria-level={2}>
              {plan.calls.length} open calls, about {sayHours(minutes)} at the units
            </Type>
            {plan.calls.map((each) => (
              <OneCall key={each.call.id} planned={each} />
            ))}
          </>
        )}
        <Aboard />
        <KindMinutesCard />
      </ScrollView>
    </Screen>
  );
}

function NoCalls({ list }: Pick<DayPlan, 'list'>) {
  if (list === 'failed')
    return (
      <Notice
        icon="wifi-off"
        title="The calls could not be read"
        text="The server is away and this device has not seen them yet."
        testID="failed"
      />
    );
  if (list !== 'ready') return <Notice icon="loader" title="Reading the calls" testID="loading" />;
  return (
    <Notice
      icon="check-circle"
      title="No open calls"
      text="Open calls stand here in the order of their places."
      testID="day-empty"
    />
  );
}

function OneCall({ planned: { call, find, mend, needs } }: { planned: PlannedCall }) {
  const { appliance, complaint, id } = call;
  return (
    <RowLink href={`/call/${id}`} name={`${complaint}, ${appliance.place}`} testID={`day-${id}`}>
      <Type size="small" tone="soft">
        {appliance.place}
      </Type>
      <Type weight="strong" numberOfLines={2}>
        {complaint}
      </Type>
      <Type size="small">
        {find === undefined || mend === undefined
          ? 'Being worked out'
          : `About ${Math.round(find)} min to the part, ${Math.round(mend)} to mend it`}
      </Type>
      {needs.slice(0, 3).map(({ key, chance, name }) => (
        <Type key={key} size="small" tone="soft">
          · {name}, {sayChance(chance)}
        </Type>
      ))}
    </RowLink>
  );
}

/** The parts that make most repairs on the first visit for the money, each with what it makes. */
function Truck({ plan }: { plan: DayPlan }) {
  const dispatch = useAppDispatch();
  const { aboard, currency, truckBudget } = useAppSelector((state) => state.settings);
  const [reasons, setReasons] = useState(false);
  const has = useMemo(
    () => Object.fromEntries(Object.entries(aboard).map(([key, { count }]) => [key, count])),
    [aboard],
  );
  const stock = useMemo(
    () =>
      truckStock(
        plan.calls.map(({ needs }) => needs),
        plan.items,
        truckBudget,
        has,
      ),
    [plan, truckBudget, has],
  );
  const nameOf = (key: string): string => plan.items.find((each) => each.key === key)?.name ?? key;
  const load = (): void => {
    const next = { ...aboard };
    for (const { key, count } of stock.take)
      next[key] = { name: nameOf(key), count: (next[key]?.count ?? 0) + count };
    const left = Math.max(0, truckBudget - stock.spent);
    void dispatch(change({ aboard: next, truckBudget: left }));
  };
  return (
    <Card testID="truck">
      <Type size="lead" weight="heavy" role="heading" aria-level={2}>
        On the truck
      </Type>
      <NumberField
        label={`Money for more parts, ${currency || 'in all'}`}
        testID="truck-budget"
        value={truckBudget}
        most={20_000}
        wanted
        change={(value) => value !== undefined && void dispatch(change({ truckBudget: value }))}
      />
      <Type weight="strong" testID="truck-says">
        {stock.repairs.toFixed(1)} of {plan.calls.length} calls are expected to be repaired on the
        first visit, for {currency}
        {stock.spent} of parts.
      </Type>
      {stock.take.map(({ key, count, repairs }) => (
        <Type key={key} testID={`take-${key}`}>
          {count} × {nameOf(key)}
          {reasons ? `: makes ${repairs.toFixed(2)} more repairs at once` : ''}
        </Type>
      ))}
      {stock.take.length > 0 && (
        <View style={styles.row}>
          <Button
            look="act"
            icon="check"
            label="They are aboard"
            testID="truck-load"
            style={styles.grow}
            onPress={load}
          />
          <Button
            icon="help-circle"
            label="Why these?"
            testID="truck-why"
            selected={reasons}
            onPress={() => setReasons(!reasons)}
          />
        </View>
      )}
      {reasons && (
        <Type size="small" tone="soft">
          Of all sets that the money buys, this one makes most repairs on the first visit, by how
          probable each part is on each call; prices are guesses by kind of part.
        </Type>
      )}
    </Card>
  );
}

/** What is on the truck; what is put in as a new part is counted down. */
function Aboard() {
  const dispatch = useAppDispatch();
  const aboard = useAppSelector((state) => state.settings.aboard);
  const entries = Object.entries(aboard).filter(([, { count }]) => count > 0);
  const set = (key: string, count: number): void => {
    const item = aboard[key];
    if (item) void dispatch(change({ aboard: { ...aboard, [key]: { ...item, count } } }));
  };
  return (
    <Card testID="aboard">
      <Type weight="heavy" role="heading" aria-level={2}>
        Aboard
      </Type>
      {entries.length === 0 && <Type tone="soft">Nothing is written down yet.</Type>}
      {entries.map(([key, { name, count }]) => (
        <View key={key} style={styles.item}>
          <Type style={styles.grow} testID={`aboard-${key}`}>
            {count} × {name}
          </Type>
          <Button
            icon="x"
            label="One less"
            hint={`One less: ${name}`}
            testID={`less-${key}`}
            onPress={() => set(key, count - 1)}
          />
          <Button
            icon="plus"
            label="One more"
            hint={`One more: ${name}`}
            testID={`more-${key}`}
            onPress={() => set(key, count + 1)}
          />
        </View>
      ))}
    </Card>
  );
}

const sayHours = (minutes: number): string =>
  minutes < 90 ? `${Math.round(minutes)} minutes` : `${(minutes / 60).toFixed(1)} hours`;

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  item: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'center', gap: space.s },
  grow: { flexGrow: 1, flexShrink: 1 },
});
