import { StyleSheet, View } from 'react-native';
import { sayFinding, sayMend } from '../../../core/describe/draftFinding';
import { removeOwner, rename } from '../../../core/draft/edit';
import type { Mend } from '../../../core/draft/draftLint';
import type { Diagram } from '../../../core/diagram/diagram';
import type { FoundInDraft } from '../../workers/draft';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Icon } from '../../ui/Icon';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { space, useTheme } from '../../theme/theme';

interface Props {
  diagram: Diagram;
  found: FoundInDraft[] | undefined;
  change: (to: Diagram) => void;
  open: (part: string) => void;
}

/** What may be wrong, worst first; each a way to its place, and a tap that puts it right where there is one. */
export function FindingsPane({ diagram, found, change, open }: Props) {
  const palette = useTheme();
  if (!found) return <Notice icon="loader" title="Looking through it" testID="looking" />;
  if (!found.length)
    return (
      <Notice
        icon="check-circle"
        title="Nothing is found wrong"
        text="Every part is wired, every load can run, nothing is shorted."
        testID="nothing-wrong"
      />
    );
  const worst = [...found].sort(
    (a, b) => Number(b.finding.severity === 'error') - Number(a.finding.severity === 'error'),
  );
  return (
    <View style={styles.list} role="list" aria-label="What may be wrong">
      {worst.map(({ finding, mend }, i) => {
        const part = diagram.parts.find(({ id }) => id === finding.about);
        const bad = finding.severity === 'error';
        return (
          <Card
            key={`${i} ${finding.kind}`}
            role="listitem"
            testID={`finding-${i}`}
            ground={bad ? 'badGround' : 'warnGround'}
            edge={bad ? 'bad' : 'warn'}
          >
            <View style={styles.row}>
              <Icon
                name={bad ? 'x-octagon' : 'alert-triangle'}
                size={20}
                color={bad ? palette.bad : palette.warn}
              />
              <Type style={styles.grow}>{sayFinding(diagram, finding)}</Type>
            </View>
            <View style={styles.row}>
              {part && (
                <Button
                  icon="arrow-right"
                  label={`To ${part.name}`}
                  testID={`to-${i}`}
                  onPress={() => open(part.id)}
                />
              )}
              {mend && (
                <Button
                  icon="tool"
                  label={sayMend(diagram, mend)}
                  testID={`mend-${i}`}
                  onPress={() => change(mended(diagram, mend))}
                />
              )}
            </View>
          </Card>
        );
      })}
    </View>
  );
}

const mended = (diagram: Diagram, mend: Mend): Diagram =>
  'remove' in mend ? removeOwner(diagram, mend.remove) : rename(diagram, mend.rename, mend.to);

const styles = StyleSheet.create({
  list: { gap: space.m },
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 200 },
});
