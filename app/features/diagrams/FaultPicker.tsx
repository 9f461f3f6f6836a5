import { useMemo, useState } from 'react';
import type { Diagram } from '../../../core/diagram/diagram';
import { everyFault } from '../../../core/fault/faultList';
import { nameFault } from '../../../core/describe/fault';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import type { TeachingBench } from './useTeachingBench';

const SHOWN = 8;

/** Puts one fault in, found by part or by kind: the diagram as a teaching bench. */
export function FaultPicker({ diagram, bench }: { diagram: Diagram; bench: TeachingBench }) {
  const [search, setSearch] = useState('');
  const all = useMemo(() => {
    const named = everyFault(diagram).map((fault) => ({ fault, name: nameFault(diagram, fault) }));
    // Sizes of the same fault read alike: one of them is enough here.
    return named.filter(({ name }, i) => named.findIndex((each) => each.name === name) === i);
  }, [diagram]);
  const words = search.toLowerCase().split(/\s+/).filter(Boolean);
  const found = words.length
    ? all.filter(({ name }) => words.every((word) => name.toLowerCase().includes(word)))
    : [];
  const { fault } = bench;
  return (
    <Card testID="faults">
      <Type weight="strong">Put a fault in</Type>
      {fault ? (
        <Button
          icon="x"
          label={`Take it out: ${nameFault(diagram, fault)}`}
          testID="fault-out"
          onPress={() => bench.putIn(undefined)}
        />
      ) : (
        <>
          <Field
            label="Part and what is wrong, such as lid stuck"
            testID="fault-search"
            value={search}
            onChangeText={setSearch}
          />
          {found.slice(0, SHOWN).map(({ fault: each, name }, i) => (
            <Button
              key={name}
              label={name}
              testID={`fault-${i}`}
              onPress={() => {
                bench.putIn(each);
                setSearch('');
              }}
            />
          ))}
          {words.length > 0 && (
            <Type size="small" tone="soft" testID="faults-found">
              {found.length > SHOWN
                ? `${found.length} faults, ${SHOWN} shown: say more`
                : found.length
                  ? `${found.length} faults`
                  : 'No such fault in this diagram'}
            </Type>
          )}
        </>
      )}
    </Card>
  );
}
