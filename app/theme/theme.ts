import { createContext, useContext } from 'react';
import { useColorScheme } from 'react-native';
import { useAppSelector } from '../state/hooks';

/** Every size, colour and face of the interface. docs/look.md says why. */

export const space = { xs: 4, s: 8, m: 12, l: 16, xl: 24, xxl: 32 } as const;
export const radius = { small: 6, medium: 12, round: 999 } as const;
/** Thumb-sized, with gloves. */
export const touch = { key: 60, button: 56, row: 64 } as const;
/** From this width on the panes stand side by side. */
export const WIDE_FROM = 1000;
/** Under this height the keys move with what they are for, which they would cover. */
export const LOW_UNDER = 600;

/** The faces that ship with the app (tools/faces.ts), and what stands in for them until they are there. */
export const face = {
  text: 'Archivo_500Medium, Meanwhile, sans-serif',
  strong: 'Archivo_700Bold, "Meanwhile Bold", sans-serif',
  heavy: 'Archivo_800ExtraBold, "Meanwhile Heavy", sans-serif',
  mono: 'JetBrainsMono_700Bold, monospace',
} as const;

/** Nothing is smaller than 14. */
export const type = {
  small: { fontSize: 14, lineHeight: 19 },
  body: { fontSize: 16, lineHeight: 22 },
  lead: { fontSize: 19, lineHeight: 25 },
  title: { fontSize: 24, lineHeight: 29 },
  giant: { fontSize: 34, lineHeight: 38 },
} as const;

export interface Palette {
  ground: string;
  card: string;
  sunk: string;
  line: string;
  ink: string;
  soft: string;
  /** The one thing to do next. */
  act: string;
  onAct: string;
  good: string;
  goodGround: string;
  bad: string;
  badGround: string;
  warn: string;
  warnGround: string;
  probeRed: string;
  probeBlack: string;
  onProbe: string;
  /** Halo of a wire that current flows through. */
  flow: string;
}

/** For sunlight: warm paper, ink, and colours dark enough to read at arm's length. */
const LIGHT: Palette = {
  ground: '#F2EFE7',
  card: '#FFFFFF',
  sunk: '#E6E2D6',
  line: '#BDB7A6',
  ink: '#191C1A',
  soft: '#53574F',
  act: '#1F3F8F',
  onAct: '#FFFFFF',
  good: '#14603A',
  goodGround: '#DDEFE0',
  bad: '#9E1F14',
  badGround: '#FBE3DD',
  warn: '#7A4B00',
  warnGround: '#FBEBC8',
  probeRed: '#B8231A',
  probeBlack: '#191C1A',
  onProbe: '#FFFFFF',
  flow: '#F2B632',
};

/** For the dim utility room: graphite, so that the screen does not blind. */
const DARK: Palette = {
  ground: '#14181B',
  card: '#1F262A',
  sunk: '#0D1012',
  line: '#46525A',
  ink: '#F2EFE7',
  soft: '#B3BBB9',
  act: '#F2A93B',
  onAct: '#1D1300',
  good: '#7FD8A0',
  goodGround: '#16352A',
  bad: '#FF9C8C',
  badGround: '#431B18',
  warn: '#F5C96B',
  warnGround: '#3B2C0E',
  probeRed: '#D8392E',
  probeBlack: '#000000',
  onProbe: '#FFFFFF',
  flow: '#F5C96B',
};

/** Asked for by every word on the screen: found out once, by `usePalette` around all of them. */
export const PaletteInUse = createContext(LIGHT);

/** The palette in use. */
export const useTheme = (): Palette => useContext(PaletteInUse);

/** The palette that was chosen, else the one of the device. */
export function usePalette(): Palette {
  const choice = useAppSelector((state) => state.settings.theme);
  const device = useColorScheme();
  const dark = choice === 'auto' ? device === 'dark' : choice === 'dark';
  return dark ? DARK : LIGHT;
}
