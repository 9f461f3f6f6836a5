import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { ICONS } from './iconPlaces';

const ROOT = join(__dirname, '..', '..');
const read = (...path: string[]): string => readFileSync(join(ROOT, ...path), 'utf8');

/** Every rule of class-validator that the contract writes down. */
function rulesInUse(folder: string): string[] {
  return readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return rulesInUse(path);
    const text = readFileSync(path, 'utf8');
    const [, names = ''] = /import \{([^}]*)\} from 'class-validator'/.exec(text) ?? [];
    return names.split(',').flatMap((each) => each.trim() || []);
  });
}

it('the page has what each of its rules asks for: the rest of the package is left out of it', () => {
  const [, kept = '(?!)'] = /const RULES = \/(.*)\/;/.exec(read('metro.config.js')) ?? [];
  const cjs = join(ROOT, 'node_modules', 'class-validator', 'cjs', 'decorator');
  const files = readdirSync(cjs, { recursive: true, encoding: 'utf8' });
  const asked = rulesInUse(join(ROOT, 'contract')).flatMap((rule) => {
    const file = files.find((each) => each.toLowerCase().endsWith(`/${rule.toLowerCase()}.js`));
    const text = file === undefined ? '' : readFileSync(join(cjs, file), 'utf8');
    return [...text.matchAll(/require\("(validator\/[^"]+)"\)/g)].map(([, name]) => name ?? '');
  });
  expect(asked).toContain('validator/lib/isUUID');
  expect(asked.filter((name) => !new RegExp(kept).test(name))).toEqual([]);
});

it('each icon is in the face where the page looks for it', () => {
  const glyphs = JSON.parse(
    read(
      ...['node_modules', '@expo', 'vector-icons', 'build', 'vendor', 'react-native-vector-icons'],
      ...['glyphmaps', 'Feather.json'],
    ),
  ) as Record<string, number>;
  expect(glyphs).toMatchObject(ICONS);
});
