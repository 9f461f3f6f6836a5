import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { sayInputFault } from '../../../contract/problem';
import { loadDiagrams } from '../../state/diagrams';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { Refusal, storeDiagram } from '../../sync/api';
import { keptDrafts } from '../../sync/keptDrafts';
import { Button } from '../../ui/Button';
import { FileButton } from '../../ui/FileButton';
import { RowLink } from '../../ui/RowLink';
import { Type } from '../../ui/Type';
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
  const read = async (file: File): Promise<void> => {
    setFaults([]);
    try {
      const { id } = await storeDiagram(shop, crypto.randomUUID(), await file.text());
      await dispatch(loadDiagrams());
      router.navigate(`/diagram/${id}`);
    } catch (error) {
      setFaults(whyNot(error));
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
      </View>
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
