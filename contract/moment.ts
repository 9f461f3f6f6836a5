import { isISO8601, isRFC3339, ValidateBy } from 'class-validator';

/** Years that a phone may say that it is in, however wrong its clock is. */
const YEARS = { first: 2000, last: 2199 };

/** A moment that there was or will be: RFC 3339 with its zone, a day that the calendar has. */
export const isMoment = (value: unknown): boolean => {
  if (typeof value !== 'string' || !isRFC3339(value)) return false;
  if (!isISO8601(value, { strict: true, strictSeparator: true })) return false;
  const year = new Date(value).getUTCFullYear();
  return year >= YEARS.first && year <= YEARS.last;
};

/** Decorator: the phone's own clock when something was done. */
export const IsMoment = (): PropertyDecorator =>
  ValidateBy({
    name: 'isMoment',
    validator: {
      validate: isMoment,
      defaultMessage: () =>
        `must be a date and time with its zone, such as 2026-11-26T08:00:00Z, in the years ${YEARS.first} to ${YEARS.last}`,
    },
  });
