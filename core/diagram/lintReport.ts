/** Takes what is wrong, by the JSON pointer to it. */
export type Report = (path: string, message: string) => void;

/** Calls `twice` for every id that is given more than once. */
export function unique(ids: readonly string[], twice: (id: string) => void): void {
  new Set(ids.filter((id, i) => ids.indexOf(id) !== i)).forEach(twice);
}
