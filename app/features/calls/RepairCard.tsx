import { useState } from 'react';
import { View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { isRepair } from '../../../core/call/evidence';
import { evidenceOf } from '../../../core/call/log';
import { lastOf } from '../../../core/call/takenBack';
import { repairCard } from '../../../core/describe/repairCard';
import { nameOf } from '../../../core/describe/unit';
import { REPAIRED_BY } from '../../../core/plan/course';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';

/** What is minded while the part that was decided on is changed; nothing before a decision, and once it is done. */
export function RepairCard({ call }: { call: CallDetail }) {
  const [open, setOpen] = useState(false);
  const { diagram, entries } = call;
  const decision = lastOf(entries, 'decision')?.body;
  if (!decision || !REPAIRED_BY.includes(decision.option)) return null;
  const done = evidenceOf(diagram, entries).evidence.some(
    (each) => isRepair(each) && each.part === decision.part,
  );
  const steps = repairCard(diagram, decision.part);
  if (done || steps.length === 0) return null;
  return (
    <Card testID="repair-card">
      <Button
        icon={open ? 'chevron-up' : 'tool'}
        label={`How to change it: ${nameOf(diagram, decision.part)}`}
        testID="open-repair-card"
        selected={open}
        onPress={() => setOpen(!open)}
      />
      {open &&
        steps.map(({ title, says }) => (
          <View key={title}>
            <Type weight="strong" role="heading" aria-level={2}>
              {title}
            </Type>
            {says.map((each) => (
              <Type key={each}>· {each}</Type>
            ))}
          </View>
        ))}
    </Card>
  );
}
