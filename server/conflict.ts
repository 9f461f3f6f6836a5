import diff from 'microdiff';
import { RefusedRequest } from './problems';

/** Refuses what was sent under an id that other content is stored under. */
export function refuseOther(what: string, sent: object, stored: object): void {
  const refusal = otherContent(what, sent, stored);
  if (refusal) throw refusal;
}

/**
 * The refusal of what was sent under an id that other content is stored under, with what differs;
 * undefined where both are the same: it was sent twice.
 */
export function otherContent(
  what: string,
  sent: object,
  stored: object,
): RefusedRequest | undefined {
  const differences = diff(asJson(stored), asJson(sent));
  if (differences.length === 0) return undefined;
  const faults = differences.slice(0, 20).map(({ path, ...each }) => ({
    path: `/${path.join('/')}`,
    message:
      'oldValue' in each
        ? `is ${JSON.stringify(each.oldValue).slice(0, 200)} in what is stored`
        : 'is not in what is stored',
  }));
  return new RefusedRequest(409, `another ${what} has this id; what is stored stays`, faults);
}

/** As it would come back: no classes, no fields that are not there, moments in one way of writing. */
const asJson = (value: object): Record<string, unknown> =>
  JSON.parse(
    JSON.stringify(value, (key, inner: unknown) =>
      inner === null
        ? undefined
        : key === 'phoneAt'
          ? new Date(String(inner)).toISOString()
          : inner,
    ),
  ) as Record<string, unknown>;
