import { differing, workedBy, type Signed } from './workedBy';

const at = (minute: number): string => `2026-11-24T08:${String(minute).padStart(2, '0')}:00Z`;
const corrected = (by: string | undefined, minute: number, body: object): Signed =>
  ({ id: `${by}${minute}`, kind: 'correction', phoneAt: at(minute), by, body }) as Signed;

it('names who worked on a call, who did last first, and nobody for what has no name', () => {
  const entries = [
    corrected('Kim', 1, { place: 'Attic' }),
    corrected('Lou', 2, { place: 'Attic' }),
    corrected(undefined, 9, { place: 'Attic' }),
    corrected('Kim', 3, {}),
  ];
  expect(workedBy(entries)).toEqual([
    { name: 'Kim', entries: 2, last: at(3) },
    { name: 'Lou', entries: 1, last: at(2) },
  ]);
});

it('shows what several wrote of one thing, the last of each, and nothing where they agree in the end', () => {
  const entries = [
    corrected('Kim', 1, { complaint: 'leaks', place: 'Attic', diagramId: 'a', diagramVersion: 1 }),
    corrected('Lou', 2, { complaint: 'drips', place: 'Attic', diagramId: 'a', diagramVersion: 2 }),
    corrected('Kim', 3, { complaint: 'floods' }),
  ];
  expect(differing(entries)).toEqual([
    {
      field: 'complaint',
      said: [
        { by: 'Lou', at: at(2), value: 'drips' },
        { by: 'Kim', at: at(3), value: 'floods' },
      ],
    },
  ]);
  expect(differing([...entries, corrected('Lou', 4, { complaint: 'floods' })])).toEqual([]);
});
