import { useState } from 'react';
import type { Diagram } from '../../../core/diagram/diagram';
import { clampedLoad } from '../../../core/diagram/clampedLoad';
import { INSTRUMENT } from '../../../core/describe/test';
import { capital, momentsOf } from '../../../core/describe/use';
import { quantityOf } from '../../../core/inference/quantity';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { MeasureCard } from './MeasureCard';
import type { Work } from './useWork';

/** A temperature, a pressure or the like, or a current by clamp: which, when, and what it was. */
export function OwnMeasure({ work, done }: { work: Work; done: () => void }) {
  const { diagram } = work.call;
  const [of, setOf] = useState<string>();
  const [steps, setSteps] = useState<string>();
  const quantities = diagram.actuators.filter(({ kind }) => kind === 'quantity');
  const loads = diagram.parts.filter(({ id }) => clampedLoad(diagram, id));
  const quantity = of === undefined ? undefined : quantityOf(diagram, of);
  // A current flows only while something runs.
  const when =
    steps ?? (of !== undefined && !quantity ? momentsOf(diagram).at(-1)?.steps : undefined);
  const choose = (id: string): void => {
    setOf(id);
    setSteps(undefined);
  };
  return (
    <>
      {quantities.length + loads.length === 0 && (
        <Type>Nothing in this unit is measured by anything but a meter between two points.</Type>
      )}
      <OneOf
        titled
        label="What was measured"
        choices={[
          ...quantities.map(({ id, name }) => ({
            id,
            label: `${name}${sayInstrument(diagram, id)}`,
            testID: `own-quantity-${id}`,
          })),
          ...loads.map(({ id, name }) => ({
            id,
            label: `${name}, amperes by clamp`,
            testID: `own-clamp-${id}`,
          })),
        ]}
        chosen={of}
        choose={choose}
      />
      {of !== undefined && (
        <>
          <OneOf
            titled
            label="When"
            choices={[
              ...(quantity ? [{ id: NOW, label: 'As it stands', testID: 'own-when-now' }] : []),
              ...momentsOf(diagram).map((each) => ({
                id: each.steps,
                label: capital(each.says),
                testID: `own-when-${each.steps}`,
              })),
            ]}
            chosen={when ?? NOW}
            choose={(then) => setSteps(then === NOW ? undefined : then)}
          />
          <MeasureCard
            key={`${of} ${when ?? ''}`}
            work={{
              ...work,
              measure: (...said) => {
                work.measure(...said);
                done();
              },
            }}
            test={{ kind: 'measure', actuator: of, ...(when !== undefined && { steps: when }) }}
            good={undefined}
          />
        </>
      )}
    </>
  );
}

/** With no steps. */
const NOW = '';

function sayInstrument(diagram: Diagram, id: string): string {
  const found = quantityOf(diagram, id);
  return found ? `, by ${INSTRUMENT[found.quantity]}` : '';
}
