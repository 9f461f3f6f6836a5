import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { loadDiagrams } from '../../state/diagrams';
import { useAppDispatch, useWho } from '../../state/hooks';
import type { ComparedDiagram } from '../../../contract/libraryFile';
import { compareLibrary, fetchLibrary, storeDiagram } from '../../sync/api';
import { keptDrafts } from '../../sync/keptDrafts';
import { Button } from '../../ui/Button';
import { FileButton } from '../../ui/FileButton';
import { RowLink } from '../../ui/RowLink';
import { saveAs } from '../../ui/saveAs';
import { sayWhyNot } from '../../ui/sayWhyNot';
import { Type } from '../../ui/Type';
import { LibraryFileCard } from './LibraryFileCard';
import { space } from '../../theme/theme';

/** The ways to a diagram of one's own: begun, from a file, or one that is half done on this device. */
export function OwnDiagrams() {
  const dispatch = useAppDispatch();
  const who = useWho();
  const [drafts, setDrafts] = useState<{ id: string; name: string }[]>([]);
  const [faults, setFaults] = useState<string[]>([]);
  useEffect(() => {
    let wanted = true;
    void keptDrafts(who).then((kept) => {
      // One that was opened and left with nothing in it is none to go on with.
      const begun = Object.values(kept).filter(({ diagram }) => diagram.parts.length > 0);
      if (wanted) setDrafts(begun.map(({ diagram: { id, name } }) => ({ id, name })));
    });
    return () => {
      wanted = false;
    };
  }, [who]);
  const [library, setLibrary] = useState<{ file: string; compared: ComparedDiagram[] }>();
  const refused = (error: unknown): void =>
    setFaults(
      sayWhyNot(error, 'The server is away: nothing was stored. Try again when it is back.'),
    );
  const save = (): void => {
    setFaults([]);
    fetchLibrary(who).then((file) => saveAs('library.json', 'application/json', file), refused);
  };
  const read = async (chosen: File): Promise<void> => {
    setFaults([]);
    setLibrary(undefined);
    try {
      const file = await chosen.text();
      if (IS_LIBRARY.test(file))
        return setLibrary({ file, compared: await compareLibrary(who, file) });
      const { id } = await storeDiagram(who, crypto.randomUUID(), file);
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

const styles = StyleSheet.create({
  all: { gap: space.s },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
});
