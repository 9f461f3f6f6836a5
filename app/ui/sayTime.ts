/** Made once, when first needed: making one takes longer than drawing a row. */
const formats = new Map<string, Intl.DateTimeFormat>();

function format(of: Intl.DateTimeFormatOptions): Intl.DateTimeFormat {
  const key = JSON.stringify(of);
  const made = formats.get(key) ?? new Intl.DateTimeFormat([], of);
  formats.set(key, made);
  return made;
}

/** The time of day, as people here write it. */
export const sayTime = (at: Date): string =>
  format({ hour: '2-digit', minute: '2-digit' }).format(at);

/** The time of today, or of another day which. */
export const sayWhen = (at: Date): string =>
  at.toDateString() === new Date().toDateString()
    ? sayTime(at)
    : format({ weekday: 'short', day: 'numeric', month: 'short' }).format(at);
