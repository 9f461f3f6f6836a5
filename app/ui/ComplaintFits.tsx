import { useMemo } from 'react';
import { StyleSheet, View } from 'react-native';
import type { ComplaintSearch, FoundComplaint } from '../search/complaintSearch';
import { space } from '../theme/theme';
import { Button } from './Button';
import { Type } from './Type';

interface Props {
  search: ComplaintSearch | undefined;
  /** What was typed. */
  text: string;
  /** What has been ticked so far; undefined where a tap tells it at once. */
  told?: readonly FoundComplaint[];
  press: (complaint: FoundComplaint) => void;
}

/** What of the unit a sentence may mean: one tap makes it something that was told. */
export function ComplaintFits({ search, text, told: ticked, press }: Props) {
  const told = ticked ?? [];
  const fits = useMemo(() => search?.find(text) ?? [], [search, text]);
  // Of what was told of already nothing else is so.
  const shown = [
    ...told,
    ...fits.filter((each) => !told.some(({ subject }) => subject === each.subject)),
  ];
  if (!search || !text.trim()) return null;
  return (
    <View style={styles.fits} aria-live="polite" testID="complaint-fits">
      <Type size="small" tone="soft">
        {shown.length
          ? `Which of these is it?${ticked ? ' Tap all that are so.' : ''}`
          : 'Nothing that this unit can do is named so: it stays as a note.'}
      </Type>
      {shown.map((each) => {
        const chosen = told.some((other) => same(each, other));
        return (
          <Button
            key={`${each.subject} ${each.outcome} ${each.steps}`}
            icon={!ticked ? 'message-circle' : chosen ? 'check-square' : 'square'}
            label={each.says}
            testID={`fit-${each.subject}-${each.outcome.replace(/ /g, '-')}`}
            selected={chosen}
            onPress={() => press(each)}
            style={styles.fit}
          />
        );
      })}
    </View>
  );
}

export const same = (one: FoundComplaint, two: FoundComplaint): boolean =>
  one.subject === two.subject && one.outcome === two.outcome && one.steps === two.steps;

const styles = StyleSheet.create({
  fits: { gap: space.s },
  fit: { justifyContent: 'flex-start' },
});
