import { useRef } from 'react';
import { StyleSheet, View, type ViewStyle } from 'react-native';
import { space } from '../theme/theme';
import { Button } from './Button';
import { Type } from './Type';

interface Props<Choice extends string> {
  /** What is chosen among. */
  label: string;
  choices: readonly { id: Choice; label: string; testID: string; style?: ViewStyle }[];
  chosen: Choice | undefined;
  choose: (choice: Choice) => void;
  /** Tabs, each with a pane of its own, or plain choices. */
  as?: 'tabs' | 'choices';
  /** Says above the choices what is chosen. */
  titled?: boolean;
  style?: ViewStyle;
}

const ARROWS: Record<string, number> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** Several of which one is chosen: Tab comes to that one, arrows go on to the others (WAI-ARIA, tabs and radio group). */
export function OneOf<Choice extends string>({
  label,
  choices,
  chosen,
  choose,
  as = 'choices',
  titled = false,
  style,
}: Props<Choice>) {
  const group = useRef<View>(null);
  const [role, of] =
    as === 'tabs' ? (['tab', 'tablist'] as const) : (['radio', 'radiogroup'] as const);
  const at = choices.findIndex(({ id }) => id === chosen);
  const press = (event: KeyboardEvent): void => {
    const step = ARROWS[event.key];
    if (step === undefined) return;
    event.preventDefault();
    const to = (Math.max(0, at) + step + choices.length) % choices.length;
    const [next, controls] = [
      choices[to],
      (group.current as unknown as HTMLElement).querySelectorAll<HTMLElement>(`[role=${role}]`),
    ];
    if (next) choose(next.id);
    controls[to]?.focus();
  };
  const all = (
    <View
      ref={group}
      role={of}
      aria-label={label}
      style={[styles.group, style]}
      {...{ onKeyDown: press }}
    >
      {choices.map((each, i) => (
        <Button
          key={each.id}
          role={role}
          reached={i === Math.max(0, at)}
          {...(as === 'tabs' && { look: 'bare' })}
          label={each.label}
          testID={each.testID}
          selected={i === at}
          onPress={() => choose(each.id)}
          {...(each.style && { style: each.style })}
        />
      ))}
    </View>
  );
  if (!titled) return all;
  return (
    <View style={styles.titled}>
      <Type size="small" tone="soft">
        {label}
      </Type>
      {all}
    </View>
  );
}

const styles = StyleSheet.create({
  titled: { gap: space.xs },
  group: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
