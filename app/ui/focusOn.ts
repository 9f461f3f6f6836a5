/** Puts the focus on a field, by its test id. */
export const focusOn = (testID: string): void =>
  document.querySelector<HTMLElement>(`[data-testid="${testID}"]`)?.focus();
