import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import type { DiagramSummary } from '../../../contract/diagram';
import { DiagramSearch } from '../../search/diagramSearch';
import { diagramKey, loadDiagrams } from '../../state/diagrams';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { radius, space, touch, useTheme } from '../../theme/theme';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { Icon } from '../../ui/Icon';

/** So many are in sight before all are asked for. */
const FIRST = 6;

interface Props {
  /** What is typed of the complaint: it brings the units forward that it can be of. */
  complaint: string;
  /** `id/version`. */
  chosen: string;
  choose: (diagram: string) => void;
}

/** Which diagram fits the unit: found by what it is called or what it does not do. */
export function DiagramChoice({ complaint, chosen, choose }: Props) {
  const dispatch = useAppDispatch();
  const { list: diagrams, listState } = useAppSelector((state) => state.diagrams);
  const [wanted, setWanted] = useState('');
  const finder = useMemo(() => new DiagramSearch(diagrams), [diagrams]);
  const [all, setAll] = useState(false);
  const offered = useMemo(
    () => (wanted.trim() ? finder.find(wanted) : finder.order(complaint)),
    [finder, wanted, complaint],
  );
  const one = diagrams.find((each) => diagramKey(each.id, each.version) === chosen);
  if (one)
    return (
      <>
        <Heading />
        <View role="list" aria-label="The diagram">
          <Choice
            title={one.name}
            under={sayContents(one)}
            chosen
            testID={`diagram-${one.id}`}
            onPress={() => choose('')}
          />
        </View>
        <Button
          icon="repeat"
          label="Another diagram"
          testID="another-diagram"
          onPress={() => choose('')}
        />
        <Button
          icon="copy"
          label="The unit differs from it: make one of its own"
          testID="differs"
          onPress={() => router.navigate(`/edit/new?from=${encodeURIComponent(chosen)}`)}
        />
      </>
    );
  return (
    <>
      <Heading />
      <Field
        label="Search kind of unit, part, or what people call it"
        testID="diagram-search"
        value={wanted}
        onChangeText={setWanted}
      />
      {listState === 'failed' ? (
        <Notice
          icon="wifi-off"
          title="The diagrams could not be read"
          text="This device has not seen them yet and the server is away. What you wrote stays here."
          testID="diagrams-failed"
        >
          <Button
            label="Try again"
            icon="refresh-cw"
            testID="diagrams-retry"
            onPress={() => void dispatch(loadDiagrams())}
          />
        </Notice>
      ) : diagrams.length === 0 ? (
        <Notice icon="loader" title="Reading the diagrams" testID="diagrams-loading" />
      ) : offered.length === 0 ? (
        <Notice
          icon="search"
          title="No diagram is found by these words"
          text="Try the kind of unit alone, such as washer or furnace."
          testID="diagrams-none"
        />
      ) : null}
      <View role="list" aria-label="Diagrams" style={styles.list}>
        {offered.slice(0, all ? undefined : FIRST).map((each) => {
          const key = diagramKey(each.id, each.version);
          return (
            <Choice
              key={key}
              title={each.name}
              under={sayContents(each)}
              chosen={false}
              testID={`diagram-${each.id}`}
              onPress={() => choose(key)}
            />
          );
        })}
      </View>
      {!all && offered.length > FIRST && (
        <Button
          icon="chevrons-down"
          label={`All ${offered.length} diagrams`}
          testID="all-diagrams"
          onPress={() => setAll(true)}
        />
      )}
    </>
  );
}

/** The question is asked once, whether it is answered or not. */
const Heading = () => (
  <Type weight="heavy" role="heading" aria-level={2}>
    Which diagram fits the unit?
  </Type>
);

const sayContents = ({ kind, switches }: DiagramSummary): string =>
  `${kind}, ${switches} ${switches === 1 ? 'switch' : 'switches'}`;

function Choice({
  title,
  under,
  chosen,
  testID,
  onPress,
}: {
  title: string;
  under: string;
  chosen: boolean;
  testID: string;
  onPress: () => void;
}) {
  const palette = useTheme();
  return (
    <View role="listitem">
      <Pressable
        accessibilityRole="button"
        aria-pressed={chosen}
        accessibilityLabel={title}
        testID={testID}
        onPress={onPress}
        style={[
          styles.choice,
          {
            backgroundColor: palette.card,
            borderColor: chosen ? palette.act : palette.line,
            borderWidth: chosen ? 3 : 1,
          },
        ]}
      >
        <Icon
          name={chosen ? 'check-circle' : 'circle'}
          size={24}
          color={chosen ? palette.act : palette.soft}
        />
        <View style={styles.grow}>
          <Type weight="strong">{title}</Type>
          <Type size="small" tone="soft">
            {under}
          </Type>
        </View>
      </Pressable>
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: space.s },
  choice: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    borderRadius: radius.medium,
    padding: space.m,
    minHeight: touch.row,
  },
  grow: { flex: 1 },
});
