import type { ValidationOptions } from 'class-validator';

/** How a terminal is written, for decorators. */
export const TERMINAL = /^[^.]+\.[^.]+$/;
export const asTerminal: ValidationOptions = { message: 'must be written part.terminal' };
