import type { ProtectorPart, SwitchPart, TerminalRef } from '../../core/diagram/diagram';
import { transformer } from '../shelf/loads';
import { commonPractice } from '../shelf/practice';
import { fuse } from '../shelf/protectors';
import { inSeries, wired, type Assembly } from '../shelf/unit';

interface Chain {
  /** What feeds the transformer: hot, and neutral or the other leg. */
  line: [hot: TerminalRef, back: TerminalRef];
  /** Where the 24 V go: to the hot and the common side of the board. */
  feeds: [hot: TerminalRef, common: TerminalRef];
  /** Ohms of the windings, cold, and the volts without a load. */
  windings: { primary: number; secondary: number; gives: number };
  panel: string;
  where?: { transformer?: string; fuse?: string };
  /** Contacts one after the other, from the hot side of the board to where it looks whether all are closed. */
  contacts: (SwitchPart | ProtectorPart)[];
  looksAt: TerminalRef;
  /** Colours of the wires between them: one more than there are contacts. */
  colours: string[];
}

/** The 24 V side of a heating unit: transformer, its fuse, and the chain of contacts that the burner hangs on. */
export const chain24 = ({
  line,
  feeds,
  windings: { primary, secondary, gives },
  panel,
  where = {},
  contacts,
  looksAt,
  colours,
}: Chain): Assembly => ({
  parts: [
    transformer(
      {
        id: 'transformer',
        name: 'Control transformer',
        role: 'makes 24 V',
        seenAs: {
          name: 'Hum of the transformer',
          off: 'is not heard',
          runs: 'is heard',
          close: true,
        },
        prior: commonPractice(1.5),
        panel,
        ...(where.transformer !== undefined && { where: where.transformer }),
      },
      { primary, secondary, volts: 120, gives },
    ),
    fuse(
      {
        id: 'fuse',
        name: '24 V fuse',
        role: 'protects the transformer',
        panel,
        ...(where.fuse !== undefined && { where: where.fuse }),
      },
      3,
    ),
    ...contacts,
  ],
  wires: [
    ...wired(
      'line',
      ['BK', 'WH'],
      [
        [line[0], 'transformer.L'],
        [line[1], 'transformer.N'],
      ],
    ),
    ...wired(
      'feed',
      ['RD', 'RD-WH', 'BU'],
      [
        ['transformer.R', 'fuse.a'],
        ['fuse.b', feeds[0]],
        ['transformer.C', feeds[1]],
      ],
    ),
    ...wired('chain', colours, inSeries(feeds[0], contacts, looksAt)),
  ],
});
