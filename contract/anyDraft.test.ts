import Ajv from 'ajv';
import { chanceFrom } from '../core/chance';
import { lintWhole } from '../core/circuit/lintCircuit';
import type { Diagram } from '../core/diagram/diagram';
import { UnitDiagnosis } from '../core/plan/unitDiagnosis';
import { SwitchDiagnosis } from '../core/plan/switchDiagnosis';
import { switches } from '../core/diagram/terminal';
import { drawLadder, type LayoutGraph } from '../core/drawing/place';
import { ORDINARY_METER } from '../core/meter/meter';
import { LIBRARY } from '../library/library';
import schema from './diagram.schema.json';
import { checkDiagram } from './diagramFile';

const SEED = Number(process.env.YARRIX_SEED ?? 20261126);
const SMALL = ['coil-burner', 'millivolt-fireplace', 'top-load-washer', 'dehumidifier'];
const diagrams = LIBRARY.filter((each) => SMALL.includes(each.id));

/** Every place in a value that a person could have written otherwise: its owner and its key. */
function places(value: unknown, found: [object, string][] = []): [object, string][] {
  if (typeof value !== 'object' || value === null) return found;
  for (const [key, each] of Object.entries(value)) {
    found.push([value, key]);
    places(each, found);
  }
  return found;
}

/** A draft as somebody may leave it: one or two things renamed, left out, doubled or made nonsense. */
function draft(diagram: Diagram, chance: () => number): Diagram {
  const made = structuredClone(diagram);
  const pick = <T>(list: readonly T[]): T | undefined => list[Math.floor(chance() * list.length)];
  for (let change = 0; change < 1 + Math.floor(chance() * 2); change++) {
    const all = places(made);
    const [owner, key] = pick(all) ?? [made, 'name'];
    const record = owner as Record<string, unknown>;
    const texts = all.flatMap(([each, at]) => {
      const value = (each as Record<string, unknown>)[at];
      return typeof value === 'string' ? [value] : [];
    });
    const value = record[key];
    const what = chance();
    if (Array.isArray(owner) && what < 0.3) owner.splice(Number(key), 1);
    else if (Array.isArray(owner) && what < 0.5) owner.push(structuredClone(value));
    else if (typeof value === 'string') record[key] = what < 0.9 ? pick(texts) : '';
    else if (typeof value === 'number')
      record[key] = [0, -value, value * 1000, NaN][Math.floor(chance() * 4)];
    else if (Array.isArray(value) && what < 0.7) record[key] = [];
    else if (!Array.isArray(owner)) Reflect.deleteProperty(record, key);
  }
  return made;
}

/** Whether the schema takes a draft, sound or not: what is typed in an editor always has that shape. */
const shaped = new Ajv({ discriminator: true, strictTypes: false, strictRequired: false }).compile(
  schema,
);

/** Places for boxes without a layout program: what is asked here is only whether anything throws. */
const layout = async (graph: LayoutGraph): Promise<LayoutGraph> => graph;

describe(`any draft of a diagram (seed ${SEED})`, () => {
  it('is told what is wrong with it, and never trips the one who checks', () => {
    const chance = chanceFrom(SEED);
    let wrong = 0;
    for (let round = 0; round < 600; round++) {
      const diagram = diagrams[round % diagrams.length];
      if (!diagram) throw new Error('none');
      const made = draft(diagram, chance);
      const checked = checkDiagram(made);
      if (checked.ok) continue;
      wrong++;
      for (const { path, message } of checked.error) {
        expect(path === '' || path.startsWith('/')).toBe(true);
        expect(message).not.toBe('');
      }
    }
    expect(wrong).toBeGreaterThan(200);
  });

  it('is linted with its circuit: an unsound one has none, and that is a finding and no accident', () => {
    const chance = chanceFrom(SEED + 1);
    let linted = 0;
    for (let round = 0; round < 400; round++) {
      const diagram = diagrams[round % diagrams.length];
      if (!diagram) throw new Error('none');
      const made = draft(diagram, chance);
      // Of the right shape or not: only what the schema takes is linted.
      if (!shaped(made)) continue;
      linted++;
      expect(() => lintWhole(made)).not.toThrow();
    }
    expect(linted).toBeGreaterThan(100);
  });

  it('once it is sound can be diagnosed, proved and drawn', async () => {
    const chance = chanceFrom(SEED + 2);
    let sound = 0;
    for (let round = 0; sound < 12 && round < 1500; round++) {
      const diagram = diagrams[round % 2];
      if (!diagram) throw new Error('none');
      const made = draft(diagram, chance);
      const checked = checkDiagram(made);
      if (!checked.ok) continue;
      sound++;
      const { diagram: taken } = checked.value;
      expect(() => new UnitDiagnosis(taken, ORDINARY_METER).of([])).not.toThrow();
      for (const part of switches(taken))
        expect(() => new SwitchDiagnosis(taken, part).of([], 'full')).not.toThrow();
      await expect(drawLadder(taken, layout)).resolves.toBeDefined();
    }
    expect(sound).toBe(12);
  }, 120_000);
});
