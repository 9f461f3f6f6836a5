import type { ComponentType } from 'react';
import { later } from '../ui/later';
import { ScreenComing } from '../ui/ScreenComing';
import type * as Screens from './screens';

let screens: typeof Screens | undefined;

/** Brings the script of all screens but the first. */
export const bringScreens = async (): Promise<typeof Screens> =>
  (screens ??= await import('./screens'));

type Name = Exclude<keyof typeof Screens, 'startDiagnosis' | 'heedChanges'>;
/** Those of a screen without any are none. */
type Props<K extends Name> =
  Parameters<(typeof Screens)[K]> extends [infer P extends object] ? P : object;

/** Something of that script by its name. */
export const screen = <K extends Name>(name: K, meanwhile = <ScreenComing />) =>
  later<Props<K>>(
    () => screens?.[name] as ComponentType<Props<K>> | undefined,
    bringScreens,
    meanwhile,
  );
