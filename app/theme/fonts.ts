import { Archivo_500Medium } from '@expo-google-fonts/archivo/500Medium';
import { Archivo_700Bold } from '@expo-google-fonts/archivo/700Bold';
import { Archivo_800ExtraBold } from '@expo-google-fonts/archivo/800ExtraBold';
import { JetBrainsMono_700Bold } from '@expo-google-fonts/jetbrains-mono/700Bold';

/** The faces that ship with the app, each file imported alone to keep the bundle small. */
export const FONTS = {
  Archivo_500Medium,
  Archivo_700Bold,
  Archivo_800ExtraBold,
  JetBrainsMono_700Bold,
};
