import { ScrollView, StyleSheet, View } from 'react-native';
import { cellState } from '../../../core/diagram/contactTable';
import type { Contact } from '../../../core/diagram/diagram';
import { positionsOf, switchPosition } from '../../../core/diagram/setup';
import { sayPosition } from '../../../core/describe/position';
import { expectation } from '../../../core/inference/expectation';
import { ContactGlyph } from '../../ui/ContactGlyph';
import { Type } from '../../ui/Type';
import { radius, space, useTheme } from '../../theme/theme';
import type { SwitchProof } from './useSwitchProof';
import { Icon } from '../../ui/Icon';

type Seen = 'unread' | 'agrees' | 'by beeper' | 'differs' | 'cannot tell';

/** The contact table filling in: how each cell should stand, and what has been seen of it. */
export function ContactTableView({ proof }: { proof: SwitchProof }) {
  const palette = useTheme();
  const { call, part, next } = proof;
  const nextPair = next && expectation(part, next.place).contact?.id;
  return (
    <ScrollView
      horizontal
      tabIndex={0}
      role="region"
      aria-label="Contact table"
      testID="contact-table"
    >
      <View role="table">
        <View style={styles.row} role="row">
          <View style={styles.first} />
          {part.contacts.map((contact) => (
            <View key={contact.id} style={styles.head} role="columnheader">
              <Type size="small" weight="mono">
                {contact.between.join('–')}
              </Type>
            </View>
          ))}
        </View>
        {positionsOf(call.diagram, part).map((position) => (
          <View
            key={position}
            style={[styles.row, { borderTopWidth: 1, borderColor: palette.line }]}
            role="row"
          >
            <View style={styles.first} role="rowheader">
              <Type size="small" weight="strong">
                {sayPosition(call.diagram, part.actuator, position)}
              </Type>
            </View>
            {part.contacts.map((contact) => {
              const state = cellState(part, contact.id, position);
              const seen = seenOf(proof, contact, position);
              const here = nextPair === contact.id && next?.position === position;
              return (
                <View
                  key={contact.id}
                  role="cell"
                  testID={`cell-${contact.id}-${position}`}
                  accessibilityLabel={`${contact.id}, ${position}: should be ${state}; ${seen}`}
                  style={[
                    styles.cell,
                    seen !== 'unread' && { backgroundColor: palette[GROUND[seen]] },
                    here && { borderColor: palette.act, borderWidth: 3 },
                  ]}
                >
                  <ContactGlyph state={state} size={40} />
                  <Mark seen={seen} />
                </View>
              );
            })}
          </View>
        ))}
      </View>
    </ScrollView>
  );
}

const GROUND = {
  agrees: 'goodGround',
  'by beeper': 'goodGround',
  differs: 'badGround',
  'cannot tell': 'warnGround',
} as const;

function Mark({ seen }: { seen: Seen }) {
  const palette = useTheme();
  switch (seen) {
    case 'unread':
      return (
        <Type size="small" tone="soft">
          –
        </Type>
      );
    case 'agrees':
      return <Icon name="check" size={18} color={palette.good} />;
    case 'by beeper':
      return (
        <View style={styles.mark}>
          <Icon name="check" size={18} color={palette.good} />
          <Icon name="volume-2" size={14} color={palette.good} />
        </View>
      );
    case 'differs':
      return <Icon name="x" size={20} color={palette.bad} />;
    case 'cannot tell':
      return <Icon name="help-circle" size={16} color={palette.warn} />;
  }
}

/** What the readings by the real actuator say of a cell; one that differs counts most. */
function seenOf({ part, readings, state }: SwitchProof, contact: Contact, position: string): Seen {
  const judgements = readings
    .filter((each) => !each.doubted && !(part.id in each.setup.byHand))
    .filter((each) => switchPosition(each.setup, part) === position)
    .filter((each) => expectation(part, each).contact?.id === contact.id)
    .flatMap((each) => state.judgements.get(each.id) ?? []);
  if (judgements.length === 0) return 'unread';
  if (judgements.some((each) => each.agrees === false)) return 'differs';
  const agreeing = judgements.filter((each) => each.agrees === true);
  if (agreeing.length === 0) return 'cannot tell';
  return agreeing.some((each) => each.grade === 'number') ? 'agrees' : 'by beeper';
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row' },
  first: { width: 96, justifyContent: 'center', paddingVertical: space.s },
  cell: {
    width: 78,
    minHeight: 60,
    alignItems: 'center',
    justifyContent: 'center',
    gap: 2,
    borderRadius: radius.small,
    borderWidth: 3,
    borderColor: 'transparent',
  },
  head: { width: 78, alignItems: 'center', paddingBottom: space.xs },
  mark: { flexDirection: 'row', alignItems: 'center' },
});
