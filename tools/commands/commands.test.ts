import { execFile } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { wentOver } from '../../core/call/recording';
import { readRecordingCsv } from '../../contract/recordingCsv';
import { builtIn } from '../../library/library';
import { ngspice } from '../reference/ngspice';

jest.setTimeout(60_000);

const YARRIX = resolve(__dirname, '../../yarrix');
const folder = mkdtempSync(join(tmpdir(), 'yarrix-doors-'));
// So that the database's own user can enter it.
chmodSync(folder, 0o755);
afterAll(() => rmSync(folder, { recursive: true }));

interface Ran {
  code: number;
  stdout: string;
  stderr: string;
}
const yarrix = (...args: string[]): Promise<Ran> =>
  new Promise((done) => {
    execFile(
      YARRIX,
      args,
      { env: { ...process.env, YARRIX_DATA: join(folder, 'data') } },
      (error, stdout, stderr) =>
        done({ code: typeof error?.code === 'number' ? error.code : 0, stdout, stderr }),
    );
  });
const file = (name: string, text: string): string => {
  const path = join(folder, name);
  writeFileSync(path, text);
  return path;
};

describe('the command-line doors', () => {
  it('lists the built-in diagrams with parts, terminals and positions', async () => {
    const { code, stdout } = await yarrix('diagrams', '--json');
    expect(code).toBe(0);
    const list = JSON.parse(stdout) as {
      id: string;
      actuators: { id: string; positions: string[] }[];
    }[];
    expect(list.length).toBeGreaterThanOrEqual(4);
    expect(list.find((each) => each.id === 'over-range-oven')?.actuators).toContainEqual(
      expect.objectContaining({ id: 'door', positions: ['closed', 'ajar', 'open'] }),
    );
  });

  it('expects ohms with wires lifted and faults put in, and null for open', async () => {
    const at = ['expect', 'coil-burner', '--from', 'infinite.H1', '--to', 'infinite.H2', '--json'];
    const on = JSON.parse((await yarrix(...at)).stdout);
    expect(on.nominal).toBeGreaterThan(27);
    expect(on.low).toBeLessThan(on.nominal);
    const off = JSON.parse((await yarrix(...at, '--lift', 'infinite.H2')).stdout);
    expect(off).toMatchObject({ nominal: null, low: null, high: null });
    const stuck = await yarrix(
      'expect',
      'coil-burner',
      '--from',
      'infinite.L2',
      '--to',
      'infinite.H2',
      '--lift',
      'infinite.H2',
      '--fault',
      'infinite.L2-H2:stuck-closed',
      '--json',
    );
    expect(JSON.parse(stuck.stdout).nominal).toBeLessThan(1);
  });

  it('expects volts with the power on, and what the evidence carries', async () => {
    const at = (...more: string[]) =>
      yarrix('expect', 'coil-burner', '--power', 'on', '--set', 'knob=high', '--json', ...more);
    const legs = await at('--from', 'infinite.L1', '--to', 'infinite.L2');
    expect(JSON.parse(legs.stdout)).toMatchObject({ kind: 'volts', current: 'ac', loaded: true });
    const dead = ['--from', 'infinite.L2', '--fault', 'feed.L2:dead-leg'];
    expect(JSON.parse((await at(...dead, '--to', 'infinite.L1')).stdout).nominal).toBeLessThan(2);
    expect(JSON.parse((await at(...dead, '--to', 'feed.N')).stdout).nominal).toBeGreaterThan(110);
  });

  it('refuses a jumper that would short a supply, with the way: exit 1', async () => {
    const at = ['expect', 'electric-dryer', '--from', 'block.K1', '--to', 'block.KN'];
    const refused = await yarrix(...at, '--jump', 'block.K1,block.KN');
    expect(refused).toMatchObject({
      code: 1,
      stdout: expect.stringMatching(/refused.*Terminal block/),
    });
    const start = await yarrix(...at, '--jump', 'start.1,start.2', '--set', 'timer=heat');
    expect(start).toMatchObject({
      code: 0,
      stdout: expect.stringMatching(/as soon as power returns/),
    });
  });

  it('behaves step by step, and tells what a healthy unit would not do', async () => {
    const steps = ['--steps', 'timer=heat,start=pressed,start=released'];
    const fault = ['--fault', 'centrifugal.H-M:stuck-open'];
    const { code, stdout } = await yarrix('behave', 'electric-dryer', ...steps, ...fault, '--json');
    expect(code).toBe(0);
    const { noticed, steps: results } = JSON.parse(stdout) as {
      noticed: { step: number; subject: string; outcome: string }[];
      steps: { step: string }[];
    };
    const at = results.findIndex((each) => each.step === 'start=released');
    expect(noticed).toContainEqual({ step: at, subject: 'motor', outcome: 'stops' });
  });

  it('writes a setup as a netlist that ngspice takes', async () => {
    const { stdout } = await yarrix(
      'spice',
      'millivolt-fireplace',
      '--power',
      'on',
      '--set',
      'wall=on',
    );
    const cards = stdout.split('\n').filter((line) => /^[RVEF]/.test(line));
    const ref = (name: string): string =>
      new RegExp(`^\\* (n\\d+) is ${name}$`, 'm').exec(stdout)?.[1] ?? '';
    const [volts] = ngspice(cards, ['op', `print v(${ref('valve.TH')})-v(${ref('valve.TP')})`]);
    const ours = await yarrix(
      ...['expect', 'millivolt-fireplace', '--power', 'on', '--set', 'wall=on', '--json'],
      ...['--from', 'valve.TH', '--to', 'valve.TP'],
    );
    expect(JSON.parse(ours.stdout).nominal).toBeCloseTo(volts ?? NaN, 5);
  });

  it('diagnoses from an evidence file, and refuses a bad one with its place', async () => {
    const entries = [
      {
        kind: 'statement',
        source: 'seen',
        steps: 'wall=on,wait=60',
        subject: 'valve',
        outcome: 'off',
      },
      { kind: 'reading', from: 'limit.a', to: 'limit.b', lift: ['limit.a'], shows: 'OL' },
      {
        kind: 'reading',
        from: 'thermopile.TPTH',
        to: 'limit.b',
        // Around by the thermopile and the valve: three ohm each.
        set: { wall: 'on' },
        shows: '6.3',
      },
      {
        kind: 'reading',
        from: 'wall-switch.a',
        to: 'limit.a',
        set: { wall: 'on' },
        shows: '0.3',
      },
      // Cold: it is not rightly open.
      { kind: 'measurement', actuator: 'box', value: 70, how: 'measured' },
    ];
    const evidence = { format: 'yarrix-evidence', version: 1, entries };
    const of = async (name: string, all: object[], ...options: string[]) => {
      const path = file(name, JSON.stringify({ ...evidence, entries: all }));
      const found = await yarrix('diagnose', 'millivolt-fireplace', path, '--json', ...options);
      return JSON.parse(found.stdout) as object;
    };
    // One reading alone condemns nothing; the same once more does.
    expect(await of('once.json', entries)).toMatchObject({
      verdict: { kind: 'open', needs: 'second-look' },
      secondLook: { entry: 'e2' },
    });
    expect(await of('twice.json', [...entries, entries[1] ?? {}])).toMatchObject({
      verdict: { kind: 'named', suspect: { id: 'limit' } },
    });
    expect(
      await of('line.json', entries.slice(0, 1), '--policy', 'line', '--place', 'part'),
    ).toMatchObject({
      tests: [{ test: { reach: expect.stringMatching(/own|wire/) } }, {}, {}, {}],
    });
    const bad = { ...evidence, entries: [{ ...entries[1], shows: 'zero reading' }] };
    const refused = await yarrix(
      'diagnose',
      'millivolt-fireplace',
      file('bad.json', JSON.stringify(bad, null, 1)),
    );
    expect(refused).toMatchObject({
      code: 2,
      stderr: expect.stringMatching(/line 12.*\/entries\/0\/shows.*both ends/),
    });
  });

  it('orders the readings of a proof with what a good switch shows', async () => {
    const { stdout } = await yarrix('proof', 'top-load-washer', 'lid-switch', '--json');
    const { readings, lift } = JSON.parse(stdout) as {
      readings: { expected: { state: string } }[];
      lift: string[];
    };
    expect(readings.map((each) => each.expected.state).sort()).toEqual([
      'closed',
      'closed',
      'open',
      'open',
    ]);
    expect(lift.length).toBeGreaterThan(0);
  });

  it('checks files: 0 for a good one, 1 with the place for a bad one', async () => {
    const good = file('good.json', JSON.stringify(builtIn('wall-oven')));
    expect((await yarrix('check', good)).code).toBe(0);
    const bad = await yarrix(
      'check',
      file('bad.csv', 'position,A1-A2,B1-B2\nclosed,x,x\nopen,hm,0\n'),
      '--diagram',
      'top-load-washer',
      '--part',
      'lid-switch',
    );
    expect(bad).toMatchObject({ code: 1, stdout: expect.stringContaining('line 3, column 2') });
  });

  it.each([
    [['expect', 'nowhere', '--from', 'a.b', '--to', 'c.d'], /no file and no built-in diagram/],
    [
      ['expect', 'coil-burner', '--from', 'infinite.Z', '--to', 'infinite.H1'],
      /no terminal "infinite.Z"/,
    ],
    [
      [
        'expect',
        'coil-burner',
        '--from',
        'infinite.H1',
        '--to',
        'infinite.H2',
        '--set',
        'knob=sideways',
      ],
      /knob=sideways.*off, low, high/,
    ],
    [
      [
        'expect',
        'coil-burner',
        '--from',
        'infinite.H1',
        '--to',
        'infinite.H2',
        '--fault',
        'coil:haunted',
      ],
      /haunted/,
    ],
    [['behave', 'coil-burner', '--steps', 'knob=sideways'], /knob=sideways.*off, low, high/],
    [['behave', 'coil-burner'], /--steps is missing/],
    [['bench', 'nothing'], /one of engine/],
    [['proof', 'coil-burner', 'coil'], /no part "coil"/],
    [['frobnicate'], /no command/],
    [['proof', '--wat'], /wat/],
  ])(
    '%j is bad input: exit 2 and one line that says what would be right',
    async (args, message) => {
      const { code, stderr } = await yarrix(...args);
      expect(code).toBe(2);
      expect(stderr.trim().split('\n')).toHaveLength(1);
      expect(stderr).toMatch(message);
    },
  );

  it('says that a port is taken and starts nothing', async () => {
    const other = createServer();
    const port = await new Promise<number>((done) => {
      other.listen(0, '127.0.0.1', () => {
        const address = other.address();
        done(typeof address === 'object' && address ? address.port : 0);
      });
    });
    const { code, stderr } = await yarrix('start', '--port', String(port));
    other.close();
    expect(code).toBe(69);
    expect(stderr).toMatch(new RegExp(`port ${port} is taken`));
    expect((await yarrix('status')).code).toBe(1);
  });

  it('records a door as a recorder does, right or the wrong way round', async () => {
    const recorded = async (...choices: string[]): Promise<string[] | undefined> => {
      const { stdout } = await yarrix('record', 'over-range-oven', 'door', 'opening', ...choices);
      const read = readRecordingCsv(stdout);
      const order = read.ok ? wentOver(read.value) : undefined;
      return order?.ok ? order.value.map(({ name }) => name) : undefined;
    };
    const right = await recorded('--part', 'primary,monitor');
    expect(right).toEqual(['primary NO', 'monitor NC']);
    expect(await recorded('--part', 'primary,monitor', '--wrong')).toEqual(right?.reverse());
    expect(await yarrix('record', 'coil-burner', 'knob', 'opening')).toMatchObject({ code: 2 });
  });
});
