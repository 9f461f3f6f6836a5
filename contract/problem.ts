/** One thing wrong with an input: where it stands and what would be right. */
export interface InputFault {
  /** JSON pointer into the body or file; empty for the whole. */
  path: string;
  /** In a file, counted from 1. */
  line?: number;
  column?: number;
  message: string;
}

/** What the server answers when it does not do what was asked (RFC 9457, problem details). */
export interface Problem {
  type: string;
  title: string;
  status: number;
  detail?: string;
  requestId?: string;
  faults?: InputFault[];
}

/** Where a fault is, as a person reads it: "line 3, column 2". */
export function sayInputPlace(fault: InputFault): string {
  if (fault.line === undefined) return fault.path || 'the whole';
  const at = `line ${fault.line}, column ${fault.column ?? 1}`;
  return fault.path ? `${at} (${fault.path})` : at;
}

export const sayInputFault = (fault: InputFault): string =>
  `${sayInputPlace(fault)}: ${fault.message}`;
