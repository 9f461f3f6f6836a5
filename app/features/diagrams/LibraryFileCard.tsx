import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import type { ComparedDiagram } from '../../../contract/libraryFile';
import { loadDiagrams } from '../../state/diagrams';
import { useAppDispatch, useWho } from '../../state/hooks';
import { storeLibrary } from '../../sync/api';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Chip } from '../../ui/Chip';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';

interface Props {
  /** The file as it was chosen, and what it has beside what the shop has. */
  file: string;
  compared: readonly ComparedDiagram[];
  /** Says why it was not stored. */
  refused: (error: unknown) => void;
  done: () => void;
}

/** A library before any of it is stored: what is new, what differs and in what, and how much is the same. */
export function LibraryFileCard({ file, compared, refused, done }: Props) {
  const dispatch = useAppDispatch();
  const who = useWho();
  const [sentAs] = useState(() => crypto.randomUUID());
  const [busy, setBusy] = useState(false);
  const of = (state: ComparedDiagram['state']) => compared.filter((each) => each.state === state);
  const wanted = [...of('new'), ...of('different')];
  const store = async (): Promise<void> => {
    setBusy(true);
    try {
      await storeLibrary(who, sentAs, file);
      await dispatch(loadDiagrams());
      done();
    } catch (error) {
      refused(error);
      setBusy(false);
    }
  };
  return (
    <Card testID="library-file">
      <Type weight="heavy" role="heading" aria-level={2}>
        {`${of('new').length} new, ${of('different').length} different, ${of('same').length} the same`}
      </Type>
      {wanted.map(({ id, name, state, differences }) => (
        <View key={id} style={styles.diagram}>
          <View style={styles.row}>
            <Type weight="strong" style={styles.grow}>
              {name}
            </Type>
            <Chip label={state} tone={state === 'new' ? 'good' : 'warn'} />
          </View>
          {differences.map((each) => (
            <Type key={each} size="small">
              {each}
            </Type>
          ))}
        </View>
      ))}
      <View style={styles.row}>
        {wanted.length > 0 && (
          <Button
            look="act"
            icon="save"
            label={`Store ${wanted.length}`}
            testID="library-store"
            disabled={busy}
            onPress={() => void store()}
            style={styles.grow}
          />
        )}
        <Button
          icon="x"
          label={wanted.length ? 'Leave it' : 'Close'}
          testID="library-leave"
          onPress={done}
        />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  diagram: { gap: space.xs },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
  grow: { flexGrow: 1, flexShrink: 1 },
});
