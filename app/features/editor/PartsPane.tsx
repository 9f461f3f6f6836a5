import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { sayKnown } from '../../../core/describe/diagramDifference';
import { addPart, setKnown } from '../../../core/draft/edit';
import type { Diagram, Part } from '../../../core/diagram/diagram';
import { TRADE_KINDS, type TradeKind } from '../../../library/shelf/tradeKinds';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Chip } from '../../ui/Chip';
import { Field } from '../../ui/Field';
import { Type } from '../../ui/Type';
import { radius, space, touch, useTheme } from '../../theme/theme';
import { Icon } from '../../ui/Icon';
import { PanelRows } from './PanelRows';
import { PartCard } from './PartCard';
import { SupplyRows } from './SupplyRows';

interface Props {
  diagram: Diagram;
  change: (to: Diagram) => void;
  /** The part that is opened, by its id. */
  opened: string | undefined;
  open: (id: string | undefined) => void;
  /** What is not as it was in the diagram that this one was made from. */
  changed: ReadonlyMap<string, 'new' | 'changed'>;
}

/** Every part with where it comes from; one of them opened, or a new one from the shelf. */
export function PartsPane({ diagram, change, opened, open, changed }: Props) {
  const guessed = diagram.parts.filter(({ known }) => known === 'guessed');
  return (
    <>
      <SupplyRows diagram={diagram} change={change} />
      <Shelf
        take={(kind, name) => {
          const made = addPart(diagram, name, (named) => kind.make(named, ['1', '2'], {}, 120));
          change(made.draft);
          open(made.id);
        }}
      />
      {guessed.length > 1 && (
        <Button
          icon="check-square"
          label={`All ${guessed.length} that are guessed stand on the sheet`}
          testID="all-on-sheet"
          onPress={() =>
            change(guessed.reduce((draft, { id }) => setKnown(draft, id, 'sheet'), diagram))
          }
        />
      )}
      {diagram.parts.map((part) =>
        part.id === opened ? (
          <PartCard
            key={part.id}
            diagram={diagram}
            part={part}
            change={change}
            close={() => open(undefined)}
          />
        ) : (
          <PartRow
            key={part.id}
            part={part}
            state={changed.get(part.id)}
            press={() => open(part.id)}
          />
        ),
      )}
      <PanelRows diagram={diagram} change={change} />
    </>
  );
}

function PartRow({
  part,
  state,
  press,
}: {
  part: Part;
  state: 'new' | 'changed' | undefined;
  press: () => void;
}) {
  const palette = useTheme();
  return (
    <Pressable
      role="button"
      accessibilityLabel={`Open ${part.name}`}
      testID={`part-${part.id}`}
      onPress={press}
      style={[styles.part, { borderColor: palette.line, backgroundColor: palette.card }]}
    >
      <View style={styles.grow}>
        <Type weight="strong">{part.name}</Type>
        <Type size="small" tone="soft">
          {sayInside(part)}
        </Type>
      </View>
      {state && <Chip label={state} />}
      {part.known && (
        <Chip
          label={sayKnown(part.known)}
          tone={part.known === 'guessed' ? 'warn' : 'good'}
          icon={part.known === 'guessed' ? 'help-circle' : 'check'}
        />
      )}
      <Icon name="chevron-down" size={22} color={palette.soft} />
    </Pressable>
  );
}

/** What a part is, in a few words. */
function sayInside(part: Part): string {
  const terminals = part.terminals.map(({ id, label }) => label ?? id).join(', ');
  switch (part.kind) {
    case 'switch':
      return `switch, ${terminals}`;
    case 'load':
      return `${part.load}, ${terminals}`;
    case 'protector':
      return `${part.protector.replace(/-/g, ' ')}, ${part.rating}, ${terminals}`;
    case 'hardware':
      return 'a part that holds or moves others';
    default:
      return `${part.kind}, ${terminals}`;
  }
}

/** The kinds of the trade: one is chosen, its name put right, and it is there. */
function Shelf({ take }: { take: (kind: TradeKind, name: string) => void }) {
  const [shown, setShown] = useState(false);
  const [kind, setKind] = useState<TradeKind>();
  const [name, setName] = useState('');
  const shut = (): void => {
    setShown(false);
    setKind(undefined);
  };
  if (!shown)
    return (
      <Button
        icon="plus"
        label="A part from the shelf"
        testID="shelf"
        onPress={() => setShown(true)}
      />
    );
  return (
    <Card testID="shelf-card">
      <Type weight="heavy" role="heading" aria-level={2}>
        What is it?
      </Type>
      <View style={styles.row}>
        {TRADE_KINDS.map((each) => (
          <Button
            key={each.id}
            label={each.name}
            testID={`kind-${each.id}`}
            selected={each.id === kind?.id}
            onPress={() => {
              setKind(each);
              setName(each.name.split(/,| or /)[0] ?? each.name);
            }}
          />
        ))}
      </View>
      {kind && (
        <Field label="What it is called" testID="shelf-name" value={name} onChangeText={setName} />
      )}
      <View style={styles.row}>
        {kind && (
          <Button
            look="act"
            icon="plus"
            label="Put it in"
            testID="shelf-take"
            onPress={() => {
              take(kind, name.trim() || kind.name);
              shut();
            }}
            style={styles.grow}
          />
        )}
        <Button icon="x" label="Cancel" testID="shelf-cancel" onPress={shut} />
      </View>
    </Card>
  );
}

const styles = StyleSheet.create({
  part: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.s,
    minHeight: touch.row,
    borderWidth: 1,
    borderRadius: radius.medium,
    padding: space.m,
  },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 160 },
});
