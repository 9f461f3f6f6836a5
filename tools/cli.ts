import { parseArgs } from 'node:util';
import { BadInput, EXIT, out } from './commands/command';
import { EnvironmentError } from './folders';

const USAGE = `./yarrix COMMAND

  start [--port N] [--instances N]   everything: database, demo data, web; Ctrl-C stops it
  stop | status        of what start left running
  build                the web application alone
  prepare | serve [--port N] [--name NAME]   for a database that is there: what it needs, and one server of it
  cluster start [--port N] | status | stop   three nodes, three etcd, two servers on this machine
  cluster kill MEMBER [--postgres] | revive MEMBER   a member is lost, or its PostgreSQL alone; and back
  reset-demo [--yes]   put the demo data back as it was
  soak [--minutes N | --rounds N] [--only TROUBLE,...] [--seed N]
                       every trouble there is, and what was lost by it
  soak --cluster [--rounds N] [--seed N]   a cluster whose primary is killed again and again
  soak --upgrade REVISION [--seed N]       servers of an older revision replaced while phones write
  backup FILE          everything in one file
  restore FILE [--replace]   what a backup has, in place of what is here
  verify               reads everything once, and says whether it holds
  test [--only NAME] [--all]   tests (core, contract, server, app, e2e), what takes long by turns; --all everything
  lint                 layout, style and types
  mutate [--only FOLDER] [--seed N]  how often a test notices a change in the code
  pictures [--only NAME]  docs/screenshots made anew from the demo data

  diagrams [--json]                         the built-in diagrams
  proof DIAGRAM PART [--full] [--json]      the readings that prove a switch
  expect DIAGRAM --from P.T --to P.T        one reading: ohms, or volts with --power on
         [--power on|off] [--except SUPPLY]... [--set actuator=position]... [--lift P.T]...
         [--jump P.T,P.T]... [--fault part:mode]... [--json]
  behave DIAGRAM --steps "actuator=position,wait=SECONDS,..." [--fault part:mode]... [--json]
                                            what runs, lights, blows and trips, step by step
  diagnose DIAGRAM EVIDENCE.json [--policy P] [--live] [--place part|plug] [--json]
                                            suspects, and the verdict or the next test
  walk DIAGRAM --fault F [--live] [--json]  from complaint to part on a unit with that fault
  draw DIAGRAM [--steps "..."] [--fault F]... the ladder as an SVG, alive after some steps
  spice DIAGRAM [options of expect]         a netlist of exactly that setup
  record DIAGRAM ACTUATOR opening|closing [--part A,B] [--wrong] [--seed N]
                                            a made-up recorder on the contacts of a door, as CSV
  bench engine|proof|report|server|shops [--json]  how fast, measured in one run
  bench web [--only UNIT,...] [--json]             the first page beside an empty one, first advice, answers
  bench diagnosis [--only UNIT] [--json]           how good the advice is, on every built-in unit
  bench generality [--units N] [--seed N] [--json]  the same on units that are made up, and on poorer diagrams
  check FILE [--diagram D --part P] [--json]  whether a diagram or table would be taken

DIAGRAM is a file or the id of a built-in one.
Exit codes: 0 done, 1 the answer is no, 2 bad input.`;

async function main(argv: string[]): Promise<number> {
  const [command, ...rest] = argv;
  const { values, positionals } = parseArgs({
    args: rest,
    allowPositionals: true,
    options: {
      json: { type: 'boolean', default: false },
      full: { type: 'boolean', default: false },
      from: { type: 'string' },
      to: { type: 'string' },
      set: { type: 'string', multiple: true, default: [] },
      lift: { type: 'string', multiple: true, default: [] },
      fault: { type: 'string', multiple: true, default: [] },
      jump: { type: 'string', multiple: true, default: [] },
      except: { type: 'string', multiple: true, default: [] },
      power: { type: 'string' },
      steps: { type: 'string' },
      all: { type: 'boolean', default: false },
      diagram: { type: 'string' },
      part: { type: 'string' },
      port: { type: 'string' },
      only: { type: 'string' },
      seed: { type: 'string' },
      instances: { type: 'string' },
      name: { type: 'string' },
      postgres: { type: 'boolean', default: false },
      cluster: { type: 'boolean', default: false },
      upgrade: { type: 'string' },
      minutes: { type: 'string' },
      rounds: { type: 'string' },
      units: { type: 'string' },
      yes: { type: 'boolean', default: false },
      replace: { type: 'boolean', default: false },
      policy: { type: 'string' },
      place: { type: 'string' },
      live: { type: 'boolean', default: false },
      wrong: { type: 'boolean', default: false },
    },
  });
  const [first, second, third] = positionals;
  switch (command) {
    case 'diagrams':
      return (await import('./commands/diagrams')).diagrams(values);
    case 'proof':
      return (await import('./commands/proof')).proof({ ...values, diagram: first, part: second });
    case 'expect':
      return (await import('./commands/expect')).expect({ ...values, diagram: first });
    case 'behave':
      return (await import('./commands/behave')).behave({ ...values, diagram: first });
    case 'diagnose':
      return (await import('./commands/diagnose')).diagnose({
        ...values,
        diagram: first,
        file: second,
      });
    case 'walk':
      return (await import('./commands/walk')).walk({ ...values, diagram: first });
    case 'draw':
      return (await import('./commands/draw')).draw({ ...values, diagram: first });
    case 'spice':
      return (await import('./commands/spice')).spice({ ...values, diagram: first });
    case 'record':
      return (await import('./commands/record')).record({
        ...values,
        diagram: first,
        actuator: second,
        way: third,
      });
    case 'bench':
      return (await import('./bench/bench')).bench(first, values);
    case 'check':
      return (await import('./commands/check')).check({ ...values, file: first });
    case 'start':
      return (await import('./start')).start(values.port, values.instances);
    case 'build':
      return (await import('./serve')).build();
    case 'prepare':
      return (await import('./serve')).prepare();
    case 'serve':
      return (await import('./serve')).serve(values.port, values.name);
    case 'cluster':
      return (await import('./cluster/cluster')).cluster(first, second, values);
    case 'stop':
      return (await import('./stop')).stop();
    case 'soak':
      return (await import('./soak/soak')).soakFor(values);
    case 'backup':
      return (await import('./backup')).backup(first);
    case 'restore':
      return (await import('./backup')).restore(first, values.replace);
    case 'verify':
      return (await import('./backup')).verifyData();
    case 'status':
      return (await import('./status')).status();
    case 'reset-demo':
      return (await import('./resetDemo')).resetDemo(values.yes);
    case 'test':
      return (await import('./test')).test(values.only, values.all);
    case 'pictures':
      return (await import('./pictures')).pictures(values.only);
    case 'mutate':
      return (await import('./mutate')).mutate(values.only, values.seed);
    case 'lint':
      return (await import('./lint')).lint();
    case undefined:
    case 'help':
    case '--help':
      out(USAGE);
      return EXIT.done;
    default:
      throw new BadInput(`there is no command "${command}"; ./yarrix help lists them`);
  }
}

// A reader that has seen enough (`| head`) closes the pipe; that is no error.
process.stdout.on('error', () => process.exit(EXIT.done));

main(process.argv.slice(2)).then(
  (code) => {
    process.exitCode = code;
  },
  (error: unknown) => {
    // parseArgs reports an unknown option as a TypeError with a code.
    const usage = error instanceof TypeError && 'code' in error;
    // A folder that cannot be written to, a disk that is full: said in one line, as the system says it.
    const inTheWay =
      error instanceof Error &&
      'code' in error &&
      ['EACCES', 'EPERM', 'EROFS', 'ENOSPC', 'ENOTDIR', 'EISDIR'].includes(String(error.code));
    if (error instanceof BadInput || usage) {
      process.stderr.write(`yarrix: ${(error as Error).message.split('\n')[0]}\n`);
      process.exitCode = EXIT.badInput;
    } else if (error instanceof EnvironmentError || inTheWay) {
      process.stderr.write(`yarrix: ${(error as Error).message}\n`);
      process.exitCode = 69;
    } else {
      process.stderr.write(`${error instanceof Error ? error.stack : String(error)}\n`);
      process.exitCode = 70;
    }
  },
);
