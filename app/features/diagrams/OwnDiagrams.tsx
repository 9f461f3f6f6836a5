import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { sayInputFault } from '../../../contract/problem';
import { loadDiagrams } from '../../state/diagrams';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import type { ComparedDiagram } from '../../../contract/libraryFile';
import { compareLibrary, fetchLibrary, Refusal, storeDiagram } from '../../sync/api';
import { keptDrafts } from '../../sync/keptDrafts';
import { Button } from '../../ui/Button';
import { FileButton } from '../../ui/FileButton';
import { RowLink } from '../../ui/RowLink';
import { saveAs } from '../../ui/saveAs';
import { Type } from '../../ui/Type';
import { LibraryFileCard } from './LibraryFileCard';
import { space } from '../../theme/theme';

/** The ways to a diagram of one's own: begun, from a file, or one that is half done on this device. */
export function OwnDiagrams() {
  const dispatch = useAppDispatch();
  const { shop } = useAppSelector((state) => state.outbox);
  const [drafts, setDrafts] = useState<{ id: string; name: string }[]>([]);
  const [faults, setFaults] = useState<string[]>([]);
  useEffect(() => {
    let wanted = true;
    void keptDrafts(shop).then((kept) => {
      if (wanted) setDrafts(Object.values(kept).map(({ diagram: { id, name } }) => ({ id, name })));
    });
    return () => {
      wanted = false;
    };
  }, [shop]);
  const [library, setLibrary] = useState<{ file: string; compared: ComparedDiagram[] }>();
  const refused = (error: unknown): void => setFaults(whyNot(error));
  const save = (): void => {
    setFaults([]);
    fetchLibrary(shop).then((file) => saveAs('library.json', 'application/json', file), refused);
  };
  const read = async (chosen: File): Promise<void> => {
    setFaults([]);
    setLibrary(undefined);
    try {
      const file = await chosen.text();
      if (IS_LIBRARY.test(file))
        return setLibrary({ file, compared: await compareLibrary(shop, file) });
      const { id } = await storeDiagram(shop, crypto.randomUUID(), file);
      await dispatch(loadDiagrams());
      router.navigate(`/diagram/${id}`);
    } catch (error) {
      refused(error);
    }
  };
  return (
    <View style={styles.all}>
      <View style={styles.row}>
        <Button
          icon="edit-2"
          label="A new diagram"
          testID="new-diagram"
          onPress={() => router.navigate('/edit/new')}
          style={styles.grow}
        />
        <FileButton
          icon="upload"
          label="From a file"
          testID="diagram-file"
          field={{
            testID: 'diagram-file-field',
            name: 'A diagram as a file',
            accept: '.json,.txt',
          }}
          chosen={(file) => void read(file)}
        />
        <Button icon="download" label="All as one file" testID="library-save" onPress={save} />
      </View>
      {library && (
        <LibraryFileCard {...library} refused={refused} done={() => setLibrary(undefined)} />
      )}
      {faults.map((each) => (
        <Type key={each} size="small" weight="strong" tone="bad" role="alert" testID="file-fault">
          {each}
        </Type>
      ))}
      {drafts.map(({ id, name }) => (
        <RowLink key={id} href={`/edit/${id}`} name={`Go on with ${name}`} testID={`draft-${id}`}>
          <Type weight="strong">{name}</Type>
          <Type size="small" tone="soft">
            on this device, not stored yet
          </Type>
        </RowLink>
      ))}
    </View>
  );
}

/** What a library file begins with, a diagram does not. */
const IS_LIBRARY = /^\s*\{\s*"format"\s*:\s*"yarrix-library"/;

/** So many faults of a file are told at once. */
const MOST_TOLD = 8;

function whyNot(error: unknown): string[] {
  if (!(error instanceof Refusal))
    return ['The server is away: nothing was stored. Try again when it is back.'];
  const { faults = [], title } = error.problem;
  const told = faults.slice(0, MOST_TOLD).map(sayInputFault);
  const more = faults.length - told.length;
  return [...(told.length ? told : [title]), ...(more > 0 ? [`And ${more} more.`] : [])];
}

const styles = StyleSheet.create({
  all: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
