import { readingsOf } from '../../../core/call/log';
import type { LogEntry, ReadingRecord } from '../../../core/call/record';
import type { Diagram } from '../../../core/diagram/diagram';
import { findSwitch } from '../../../core/diagram/terminal';
import { SwitchDiagnosis } from '../../../core/plan/switchDiagnosis';
import { LID_READING } from '../../../core/simulate/lidReading';
import { builtIn } from '../../../library/library';
import { switchStanding } from './switchStanding';

/** A switch whose proof is read step by step, each as a good one shows it but for the contact that is bad. */
function standings(diagram: Diagram, id: string, bad?: string): string[] {
  const part = findSwitch(diagram, id);
  if (!part.ok) throw new Error(part.error.message);
  const { proof } = new SwitchDiagnosis(diagram, part.value).of([], 'quick').state;
  // What is bad is read once more while it is wiggled, as the advice asks.
  const again = proof.flatMap((step) =>
    step.shows.kind === 'cell' && step.shows.contact === bad ? [{ ...step, wiggle: true }] : [],
  );
  const steps = [...proof, ...again];
  const entries = steps.map(
    ({ part: _part, position: _position, shows, ...place }, i): LogEntry => {
      const closed = shows.kind === 'cell' && shows.state === 'closed' && shows.contact !== bad;
      const body: ReadingRecord = {
        ...LID_READING,
        ...place,
        part: id,
        said: closed ? '0.3' : 'OL',
      };
      return { id: `e${i}`, kind: 'reading', phoneAt: `2026-12-02T08:0${i % 10}:00Z`, body };
    },
  );
  return [0, ...steps.map((_, i) => i + 1)].map((many) => {
    const { label, tone } = switchStanding(
      diagram,
      part.value,
      readingsOf(diagram, entries.slice(0, many), id),
    );
    return `${label} (${tone})`;
  });
}

const unit = (id: string): Diagram => {
  const found = builtIn(id);
  if (!found) throw new Error(`no ${id}`);
  return found;
};

describe('how a switch stands in the list of a call', () => {
  it('is not read, half proved step by step, and good once its proof is whole', () => {
    const [first, ...others] = standings(unit('top-load-washer'), 'lid-switch');
    const steps = others.length;
    expect(steps).toBeGreaterThan(2);
    expect(first).toBe('Not read (ink)');
    expect(others.slice(0, -1)).toEqual(
      others.slice(0, -1).map((_, i) => `Half proved, ${i + 1} of ${steps} (warn)`),
    );
    expect(others.at(-1)).toBe('Good (good)');
  });

  it('is bad once a contact that should close does not, and says nothing of good before', () => {
    const lid = findSwitch(unit('top-load-washer'), 'lid-switch');
    const contact = lid.ok ? lid.value.contacts[0]?.id : undefined;
    const said = standings(unit('top-load-washer'), 'lid-switch', contact);
    expect(said.at(-1)).toBe('Bad (bad)');
    expect(said).not.toContain('Good (good)');
  });

  it('is good at rest where its coil alone brings the other position: nobody calls it good', () => {
    const said = standings(unit('relay-monitor-oven'), 'relay');
    expect(said.at(-1)).toBe('Good at rest (warn)');
  });
});
