import type { OptionKind } from '../call/decision';
import type { CostTerm } from '../decide/expectedCost';
import type { HardRule } from '../decide/hardRules';

/** What can be done, as it stands on a button and on the report. */
export const OPTION_WORDS: Record<OptionKind, string> = {
  reset: 'Reset and watch',
  clean: 'Clean',
  adjust: 'Adjust, or put right what it depends on',
  reconnect: 'Make the wire or plug good',
  replace: 'New part alone',
  companions: 'New part with its companions',
  assembly: 'As the assembly that it is sold in',
  exchange: 'Exchange or repair service',
  salvaged: 'Used part from another unit',
  'hand-over': 'Hand over to a licensed trade',
  'not-worth': 'Not worth it: a new unit',
  nothing: 'Nothing wrong here',
};

/** Where the trade disagrees, both sides: common practice. */
export const SCHOOLS_ON: Partial<Record<OptionKind, { says: string; others: string }>> = {
  replace: {
    says: 'Only what failed: cheapest today, and nothing good is thrown away.',
    others: 'Its companions took the same heat or arc: one more visit costs more than they do.',
  },
  companions: {
    says: 'What failed together is changed together: monitor, primary and fuse; element and block.',
    others: 'Good parts are thrown away, and the customer pays for them.',
  },
  assembly: {
    says: 'Proved as a whole by its maker, in at once, nothing adjusted on the kitchen floor.',
    others: 'One switch of it is often sold alone for a fraction.',
  },
  clean: {
    says: 'Free, at once, and what reads good after it may stay so for years.',
    others: 'What is burnt through comes back: a contact that has lost its plating pits again.',
  },
  reset: {
    says: 'It did what it is there for: with its cause gone it needs no other.',
    others: 'One that has tripped often is weak, and one that has stuck is not trusted again.',
  },
  salvaged: {
    says: 'The only one there is for a discontinued unit, and cheap: every contact is proved first.',
    others: 'It has as many years behind it as the one that failed.',
  },
  exchange: {
    says: 'For boards and timers that nobody makes any more.',
    others: 'The unit stands still for days, and what comes back was repaired by a stranger.',
  },
};

/** Rules that no price moves, each with its reason and the way out. */
export const RULE_WORDS: Record<HardRule, string> = {
  'makers-part':
    'It protects people: only a new part of the maker goes in, whatever else would fit. Choose a new part.',
  'stuck-limit':
    'One that has stuck is not trusted again, even if a tap frees it. Choose a new part, of the factory.',
  'safety-not-cleaned':
    'Its contact may weld or stick when it counts. Choose a new part of the maker.',
  'sail-not-bent':
    'Its arm is set at the factory and never bent. Clean it and read it again, or choose a new part.',
  'cause-first':
    'What opened it opens the next one too: settle the cause below first, or refuse it in words.',
  'two-readings':
    'A part that protects people is named by two readings that do not hang together: read it once more, live or in another state.',
  'not-read': 'It was not read at its own terminals: nobody buys it unread.',
  'bench-first':
    'A used part is proved on the bench before it goes in: every contact, closed and open.',
  'bench-bad': 'The used part is bad: it was read on the bench. Take another one, or a new part.',
};

/** Terms of the sum, as they are shown. */
export const TERM_WORDS: Record<CostTerm['says'], string> = {
  part: 'part',
  labour: 'labour',
  visits: 'another visit',
  waiting: 'days without it',
  returns: 'returns, by their chance',
};
