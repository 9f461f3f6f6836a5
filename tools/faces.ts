import { createHash } from 'node:crypto';
import { mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import subsetFont from 'subset-font';
import { ICONS } from '../app/ui/iconPlaces';
import { ROOT } from './folders';

const MODULES = join(ROOT, 'node_modules');
const ICON_FACE = join(
  ...['@expo', 'vector-icons', 'build', 'vendor', 'react-native-vector-icons', 'Fonts'],
  'Feather.ttf',
);

/** The faces that ship with the app, by the names that the theme uses. */
const FACES: [family: string, file: string][] = [
  ...(['500Medium', '700Bold', '800ExtraBold'] as const).map((weight): [string, string] => [
    `Archivo_${weight}`,
    join('@expo-google-fonts', 'archivo', weight, `Archivo_${weight}.ttf`),
  ]),
  [
    'JetBrainsMono_700Bold',
    join('@expo-google-fonts', 'jetbrains-mono', '700Bold', 'JetBrainsMono_700Bold.ttf'),
  ],
];

/** Folders whose texts are shown. */
const TEXTS = ['app', 'core', 'contract', 'library', 'demo'];
/** Letters of names in Latin scripts; others are in the device's own faces. */
const LATIN = [0x20, 0x17f];

/** Each face as WOFF2 with the letters in use, and the CSS that names it. @returns the CSS */
export async function cutFaces(folder: string): Promise<string> {
  mkdirSync(join(folder, 'faces'), { recursive: true });
  const letters = lettersInUse();
  const icons = String.fromCodePoint(...Object.values(ICONS));
  const rules: string[] = [];
  for (const [family, file] of [...FACES, ['Feather', ICON_FACE]] as const) {
    const text = family === 'Feather' ? icons : letters;
    const cut = await subsetFont(readFileSync(join(MODULES, file)), text, {
      targetFormat: 'woff2',
    });
    const name = `${family}-${createHash('sha256').update(cut).digest('hex').slice(0, 16)}.woff2`;
    writeFileSync(join(folder, 'faces', name), cut);
    // A sign that is not there yet is better than a box with a number in it.
    const display = family === 'Feather' ? 'block' : 'swap';
    rules.push(
      `@font-face{font-family:${family};font-display:${display};src:url(/faces/${name}) format("woff2")}`,
    );
  }
  return [...rules, ...MEANWHILE].join('');
}

/**
 * What is shown until a face is there: the device's own, made as wide as ours, so that no line breaks otherwise when it comes.
 * Widths of sentences of this app, measured in Chromium against Liberation Sans, which is as wide as Arial.
 */
const MEANWHILE = (
  [
    ['Meanwhile', '', 99],
    ['Meanwhile Bold', ' Bold', 96],
    ['Meanwhile Heavy', ' Bold', 102],
  ] as const
).map(([family, weight, percent]) => {
  const own = ['Arial', 'Roboto', 'Liberation Sans', 'Helvetica'].map(
    (name) => `local("${name}${weight}")`,
  );
  return `@font-face{font-family:${family};src:${own.join()};size-adjust:${percent}%}`;
});

/** The Latin letters, and every other sign that a text of the app has. */
function lettersInUse(): string {
  const found = new Set<string>();
  for (let code = LATIN[0] ?? 0; code <= (LATIN[1] ?? 0); code++)
    found.add(String.fromCodePoint(code));
  const read = (path: string): void => {
    if (statSync(path).isDirectory()) for (const name of readdirSync(path)) read(join(path, name));
    else for (const sign of readFileSync(path, 'utf8')) found.add(sign);
  };
  for (const folder of TEXTS) read(join(ROOT, folder));
  return [...found].join('');
}
