import { createElement, useEffect, useMemo, useState } from 'react';
import { ScrollView, StyleSheet, View } from 'react-native';
import { keepSetting, keptSetting } from '../../sync/device';
import { sheetKey } from '../../sync/keptDrafts';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { FileButton } from '../../ui/FileButton';
import { space } from '../../theme/theme';

/** How much larger the photo is shown than the card is wide. */
const ZOOMS = [1, 1.5, 2.5, 4];

export interface Sheet {
  /** Where the photo is, on this device; undefined without one. */
  address: string | undefined;
  keep: (file: File | undefined) => void;
}

/** Asks for the photo of a sheet. */
export const SheetButton = ({ sheet: { keep } }: { sheet: Sheet }) => (
  <FileButton
    icon="camera"
    label="Photo of the sheet beside it"
    testID="sheet-photo"
    field={{ testID: 'sheet-photo-field', name: 'A photo of the sheet', accept: 'image/*' }}
    chosen={keep}
  />
);

/** The photo of a sheet, pinned beside what is typed from it: moved by a finger, larger and smaller. */
export function SheetPhoto({ sheet }: { sheet: Sheet }) {
  const { address, keep } = sheet;
  const [zoom, setZoom] = useState(0);
  const [width, setWidth] = useState(320);
  if (!address) return null;
  const size = width * (ZOOMS[zoom] ?? 1);
  return (
    <Card
      testID="sheet"
      style={styles.sheet}
      onLayout={({ nativeEvent }) => setWidth(nativeEvent.layout.width - 2 * space.l)}
    >
      <ScrollView
        style={styles.window}
        tabIndex={0}
        role="region"
        aria-label="The sheet"
        nestedScrollEnabled
      >
        <ScrollView horizontal nestedScrollEnabled>
          {createElement('img', {
            src: address,
            alt: 'The sheet, as it was photographed',
            'data-testid': 'sheet-image',
            style: { width: size, height: 'auto', display: 'block' },
          })}
        </ScrollView>
      </ScrollView>
      <View style={styles.row}>
        <Button
          look="bare"
          icon="zoom-out"
          label="Smaller"
          testID="sheet-smaller"
          disabled={zoom === 0}
          onPress={() => setZoom(zoom - 1)}
        />
        <Button
          look="bare"
          icon="zoom-in"
          label="Larger"
          testID="sheet-larger"
          disabled={zoom === ZOOMS.length - 1}
          onPress={() => setZoom(zoom + 1)}
        />
        <Button
          look="bare"
          icon="x"
          label="Away"
          hint="Take the photo away; it is on this device alone"
          testID="sheet-away"
          onPress={() => keep(undefined)}
        />
      </View>
    </Card>
  );
}

/** The photo that is pinned beside a draft; undefined without one. */
export async function pinnedSheet(id: string): Promise<Blob | undefined> {
  const kept = await keptSetting(sheetKey(id));
  return kept instanceof Blob ? kept : undefined;
}

/** The photo that this device keeps for a draft. */
export function useSheet(id: string): Sheet {
  const key = sheetKey(id);
  const [photo, setPhoto] = useState<Blob>();
  useEffect(() => {
    let wanted = true;
    void pinnedSheet(id).then((kept) => {
      if (wanted && kept) setPhoto(kept);
    });
    return () => {
      wanted = false;
    };
  }, [id]);
  const address = useMemo(() => photo && URL.createObjectURL(photo), [photo]);
  useEffect(() => () => (address ? URL.revokeObjectURL(address) : undefined), [address]);
  const keep = (file: File | undefined): void => {
    setPhoto(file);
    void keepSetting(key, file);
  };
  return { address, keep };
}

const styles = StyleSheet.create({
  window: { maxHeight: 190 },
  sheet: { paddingVertical: space.s, gap: 0 },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
});
