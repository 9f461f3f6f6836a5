import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { checkDiagram } from '../contract/diagramFile';
import { pasteTable } from '../contract/pasteTable';
import { chanceFrom } from '../core/chance';
import type { Diagram } from '../core/diagram/diagram';
import { changeSwitch } from '../core/draft/changePart';
import { blankDiagram } from '../core/draft/derive';
import { lintDraft } from '../core/draft/draftLint';
import { writeLine } from '../core/draft/edit';
import { idOf } from '../core/draft/findPlace';
import { guessUses } from '../core/draft/guessUses';
import { complaintOf } from '../core/inference/complaint';
import { ORDINARY_METER } from '../core/meter/meter';
import { UnitDiagnosis } from '../core/plan/unitDiagnosis';
import { workCall } from '../core/simulate/simulatedCall';
import { ALL, inTurn } from '../tools/inTurn';
import { makePlace } from './shelf/makePlace';

const SEED = Number(process.env.YARRIX_SEED ?? 20261201);

/**
 * Sheets as a person gets them (made up): `unit: NAME`, lines of wires, `table SWITCH` with a table from a spreadsheet below,
 * and `set SWITCH RISING FALLING` for what is printed on one.
 */
const SHEETS = readFileSync(join(__dirname, 'madeUp', 'sheets.txt'), 'utf8')
  .trim()
  .split('\n\n')
  .map((sheet) => sheet.split('\n'));

/** A sheet entered by what the editor does, line by line. */
function entered([title = '', ...lines]: string[]): Diagram {
  let draft: Diagram = { ...blankDiagram('own-sheet'), name: title.slice('unit: '.length) };
  const take = <T>(result: { ok: true; value: T } | { ok: false; error: unknown }): T => {
    if (!result.ok) throw new Error(`${title}: ${JSON.stringify(result.error)}`);
    return result.value;
  };
  while (lines.length) {
    const line = lines.shift() ?? '';
    const [, table] = /^table (.*)$/.exec(line) ?? [];
    const set = /^set (.*) (\d+) (\d+)$/.exec(line);
    if (table !== undefined) {
      const end = lines.findIndex((each) => /^(table|set) |>/.test(each));
      const rows = lines.splice(0, end < 0 ? lines.length : end);
      draft = take(pasteTable(draft, idOf(table), rows.join('\n')));
    } else if (set) {
      const [rising, falling] = [Number(set[2]), Number(set[3])].map((at) => ({
        at,
        tolerance: 10,
      }));
      if (!rising || !falling) throw new Error(line);
      draft = changeSwitch(draft, idOf(set[1] ?? ''), (part) => ({
        ...part,
        setPoints: { rising, falling },
      }));
    } else draft = take(writeLine(draft, line, undefined, makePlace));
  }
  return { ...draft, uses: guessUses(draft) };
}

it('are entered by the editor’s own functions, and nothing is found wrong in them', () => {
  expect(SHEETS.length).toBe(12);
  for (const sheet of SHEETS) {
    const unit = entered(sheet);
    expect({ unit: unit.name, found: lintDraft(unit) }).toEqual({ unit: unit.name, found: [] });
    expect(checkDiagram(unit).ok).toBe(true);
  }
});

inTurn(3)(
  `every fault of them is found as on built-in units (seed ${SEED})`,
  () => {
    const all = { calls: 0, found: 0, named: 0, condemned: [] as string[] };
    for (const [i, sheet] of SHEETS.entries()) {
      if (!ALL && i % 4 !== SEED % 4) continue;
      const diagnosis = new UnitDiagnosis(entered(sheet), ORDINARY_METER);
      const { predictor } = diagnosis;
      predictor.hypotheses.forEach((truth, place) => {
        const complaint = complaintOf(predictor, place);
        if (truth.suspect === undefined || !complaint || (!ALL && place % 3)) return;
        const { verdict } = workCall(diagnosis, truth, complaint, {
          chance: chanceFrom(SEED + place),
        });
        all.calls++;
        if (verdict.kind === 'named' && verdict.suspect.id === truth.suspect) all.named++;
        else if (verdict.kind === 'named') all.condemned.push(`${sheet[0]}: ${truth.suspect}`);
        if (verdict.kind === 'group' && verdict.suspects.some(({ id }) => id === truth.suspect))
          all.found++;
      });
    }
    expect(all.calls).toBeGreaterThan(30);
    expect((all.named + all.found) / all.calls).toBeGreaterThanOrEqual(0.99);
    expect(all.named / all.calls).toBeGreaterThanOrEqual(0.97);
    expect(all.condemned).toEqual([]);
  },
  240_000,
);
