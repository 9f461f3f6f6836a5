import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { SIGHTS } from '../../../core/call/evidence';
import { nameOf, SIGHT_WORDS } from '../../../core/describe/unit';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { LookLine } from './LookLine';
import type { Work } from './useWork';

/** What eyes, ears and a hand tell, panel by panel: several in a minute, and what is in no list. */
export function LooksCard({ work, done }: { work: Work; done: () => void }) {
  const found = work.findings?.looks ?? [];
  // They stay where they are while somebody looks: nothing moves away under a thumb.
  const [order, setOrder] = useState<{ id: string; open: boolean }[]>();
  if (!order && found.length) setOrder(found.map(({ look, open }) => ({ id: look.id, open })));
  const looks = (order ?? []).flatMap(({ id, open }) => {
    const now = found.find(({ look }) => look.id === id);
    return now ? [{ ...now, open }] : [];
  });
  const { diagram } = work.call;
  const now = looks.filter(({ open }) => open);
  const behind = diagram.panels.flatMap((panel) => {
    const these = looks.filter(({ open, look }) => !open && look.panel === panel.id);
    return these.length ? [{ panel, these }] : [];
  });
  return (
    <Card testID="looks">
      <Type weight="heavy" role="heading" aria-level={2}>
        Quick looks
      </Type>
      {work.findings && !diagram.looks?.length && (
        <Type>This diagram names none; what you see is told below.</Type>
      )}
      {now.map((each) => (
        <LookLine key={each.look.id} work={work} now={each} />
      ))}
      {behind.map(({ panel, these }) => (
        <View key={panel.id} style={styles.behind} testID={`looks-${panel.id}`}>
          <Type weight="strong">
            Behind: {panel.name} · about {panel.minutes} min
          </Type>
          {these.map((each) => (
            <LookLine key={each.look.id} work={work} now={each} />
          ))}
        </View>
      ))}
      <Sights work={work} />
      <Button look="act" icon="check" label="Done looking" testID="looks-done" onPress={done} />
    </Card>
  );
}

/** What is in no list: a part, and what is wrong to see, hear, feel or smell of it. */
function Sights({ work }: { work: Work }) {
  const { diagram } = work.call;
  const [open, setOpen] = useState(false);
  const [part, setPart] = useState<string>();
  if (!open)
    return (
      <Button
        icon="eye"
        label="I saw something else"
        testID="add-sight"
        onPress={() => setOpen(true)}
      />
    );
  const suspects = (work.findings?.suspects ?? []).flatMap(({ id }) => id ?? []);
  const others = diagram.parts.map(({ id }) => id).filter((id) => !suspects.includes(id));
  return (
    <View style={styles.behind} testID="sights">
      <Type weight="strong">
        {part === undefined ? 'Of which part?' : 'What is wrong with it?'}
      </Type>
      <View style={styles.row}>
        {part === undefined
          ? [...suspects, ...others].map((id) => (
              <Button
                key={id}
                label={nameOf(diagram, id)}
                testID={`sight-part-${id}`}
                onPress={() => setPart(id)}
              />
            ))
          : SIGHTS.map((sight) => (
              <Button
                key={sight}
                label={SIGHT_WORDS[sight]}
                hint={`${nameOf(diagram, part)}: ${SIGHT_WORDS[sight]}`}
                testID={`sight-${sight}`}
                onPress={() => {
                  work.notice(part, sight);
                  setPart(undefined);
                  setOpen(false);
                }}
              />
            ))}
      </View>
      <Button
        icon="x"
        label="Cancel"
        testID="sight-cancel"
        onPress={() => {
          setPart(undefined);
          setOpen(false);
        }}
      />
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  grow: { flexGrow: 1 },
  behind: { gap: space.s, marginTop: space.m },
});
