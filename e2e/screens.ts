import type { Browser } from './browser';

/** One state of a screen: where it is, what is done there to come to it, and what is on it then. */
export interface ScreenState {
  name: string;
  path: string;
  type?: Record<string, string>;
  press?: readonly string[];
  shows: string;
  /** It is looked at on a wide screen too. */
  wide?: true;
}

export const callNumber = (number: number): string =>
  `00000000-0000-4000-8000-00020000000${number}`;
const call = (number: number): string => `/call/${callNumber(number)}`;
const work = (number: number, choices = ''): string => `${call(number)}/work${choices}`;

/** Every screen and state of the demo, with its address; docs/screens.md says what each is for. */
export const SCREENS: readonly ScreenState[] = [
  { name: 'Calls', path: '/', shows: 'new-call', wide: true },
  { name: 'Calls, none found', path: '/', type: { search: 'zebra' }, shows: 'none-match' },
  { name: 'New call', path: '/new', shows: 'all-diagrams', wide: true },
  {
    name: 'New call, something missing',
    path: '/new',
    press: ['open-call'],
    shows: 'field-make-fault',
  },
  {
    name: 'New call, the complaint in words',
    path: '/new?diagram=coil-burner/1',
    type: { 'field-complaint': 'the burner wont get hot but its light comes on' },
    shows: 'fit-coil-off',
  },
  { name: 'Call', path: call(2), shows: 'switch-infinite', wide: true },
  { name: 'Call, being corrected', path: call(2), press: ['correct'], shows: 'correct-call' },
  { name: 'Call that is not there', path: call(9).replace('0002', '0009'), shows: 'failed' },
  { name: 'Call, not finished', path: call(2), press: ['finish'], shows: 'not-finished' },
  {
    name: 'Call, how to change it',
    path: call(4),
    press: ['open-repair-card'],
    shows: 'repair-card',
  },
  { name: 'To put back', path: `${call(2)}/ledger`, shows: 'ledger' },
  {
    name: 'To put back, something else',
    path: `${call(2)}/ledger`,
    press: ['ledger-add', 'opened-wire'],
    shows: 'opened-words',
  },
  {
    name: 'To put back, it stays',
    path: `${call(2)}/ledger`,
    press: ['leave-panel rear'],
    shows: 'leave-words',
  },
  { name: 'Decide, what was found', path: `${call(3)}/decide`, shows: 'say-found' },
  { name: 'Decide', path: `${call(4)}/decide`, shows: 'option-replace', wide: true },
  {
    name: 'Decide, the sum',
    path: `${call(4)}/decide`,
    press: ['open-sum-replace', 'open-terms'],
    shows: 'sum-replace',
  },
  {
    name: 'Decide, the choice',
    path: `${call(4)}/decide`,
    press: ['take-replace'],
    shows: 'choice',
  },
  {
    name: 'Order of the contacts',
    path: `${call(4)}/order`,
    press: ['went-monitor', 'went-primary'],
    shows: 'order-says',
  },
  {
    name: 'Decide, does it fit',
    path: `${call(4)}/decide`,
    press: ['open-fit', 'fit-keep'],
    shows: 'fit-words-fault',
  },
  {
    name: 'Before it is handed back',
    path: `${call(2)}/checks`,
    press: ['leave-run'],
    shows: 'not-done-run-words',
    wide: true,
  },
  { name: 'Before it is handed back, nothing yet', path: `${call(0)}/checks`, shows: 'no-checks' },
  { name: 'Photo, not here', path: `${call(2)}/photo?photo=none`, shows: 'no-photo' },
  { name: 'Order, none', path: `${call(2)}/order`, shows: 'no-order' },
  {
    name: 'Switch on the bench',
    path: `${call(2)}/infinite?of=bench`,
    shows: 'keypad',
  },
  { name: 'Report', path: `${call(4)}/report`, shows: 'report-page', wide: true },
  {
    name: 'Report, a link',
    path: `${call(4)}/report`,
    press: ['make-report-link'],
    shows: 'new-link-url',
  },
  { name: 'The door', path: '/sign-in', shows: 'look-around', wide: true },
  {
    name: 'The door, refused',
    path: '/sign-in',
    press: ['found-send'],
    shows: 'found-password-fault',
  },
  { name: 'Come in by a link, ended', path: '/join#none', shows: 'link-dead' },
  { name: 'Account', path: '/account', shows: 'account' },
  { name: 'People, for leads', path: '/people', shows: 'not-a-lead' },
  {
    name: 'Report, its files',
    path: `${call(4)}/report`,
    press: ['more-files', 'return-ics'],
    shows: 'return-at-fault',
  },
  { name: 'The day', path: '/day', shows: 'truck', wide: true },
  { name: 'The day, why these', path: '/day', press: ['truck-why', 'truck-load'], shows: 'aboard' },
  { name: 'Calculators', path: '/calculators', shows: 'answer', wide: true },
  { name: 'Calculators, taps', path: '/calculators?calc=on-time', press: ['tap'], shows: 'taps' },
  {
    name: 'Calculators, no answer',
    path: '/calculators?calc=limit-marking',
    type: { 'in-marking': 'x' },
    shows: 'no-answer',
  },
  {
    name: 'Switch, map first',
    path: `${call(5)}/lid-switch`,
    press: ['made-safe', 'meter-proved'],
    shows: 'wire-map',
  },
  { name: 'Switch, make safe', path: `${call(2)}/infinite`, shows: 'make-safe' },
  {
    name: 'Switch, next reading',
    path: `${call(2)}/infinite`,
    press: ['made-safe'],
    shows: 'keypad',
    wide: true,
  },
  {
    name: 'Switch, prove the meter',
    path: `${call(5)}/lid-switch`,
    press: ['made-safe'],
    shows: 'prove-meter',
  },
  {
    name: 'Switch, a question back',
    path: `${call(2)}/infinite`,
    press: ['write'],
    shows: 'written',
  },
  {
    name: 'Switch, verdict',
    path: `${call(4)}/monitor`,
    press: ['made-safe', 'meter-proved'],
    shows: 'verdict-fault',
  },
  { name: 'Switch that is not there', path: `${call(2)}/nothing`, shows: 'no-switch' },
  { name: 'Work, complaint', path: work(6), shows: 'complaint' },
  { name: 'Work, a test', path: work(2), shows: 'why', wide: true },
  { name: 'Work, why', path: work(2), press: ['why'], shows: 'meaning-0' },
  { name: 'Work, not this one', path: work(2), press: ['refuse-test'], shows: 'refuse' },
  { name: 'Work, how to work', path: work(2), press: ['open-way'], shows: 'visit' },
  { name: 'Work, what it does', path: work(2, '?say=statement'), shows: 'complaint' },
  { name: 'Work, quick looks', path: work(2, '?say=looks'), shows: 'looks' },
  {
    name: 'Work, something noticed',
    path: work(2, '?say=looks'),
    press: ['add-sight'],
    shows: 'sights',
  },
  { name: 'Work, supply', path: work(2, '?say=supply'), shows: 'supply' },
  { name: 'Work, something done', path: work(2, '?say=act'), shows: 'acts' },
  { name: 'Work, own reading', path: work(2, '?say=reading'), shows: 'own-reading' },
  {
    name: 'Work, own reading, its points',
    path: work(2, '?say=reading'),
    type: { 'own-where': 'lamp a b' },
    press: ['own-named'],
    shows: 'own-good',
  },
  {
    name: 'Work, own clamp',
    path: work(2, '?say=reading'),
    press: ['own-other', 'own-clamp-coil'],
    shows: 'clamp',
  },
  {
    name: 'Work, own seconds',
    path: work(2, '?say=reading'),
    press: ['own-clock', 'seconds-of-coil'],
    shows: 'seconds-on',
  },
  { name: 'Work, suspects', path: work(2, '?pane=suspects'), shows: 'suspects' },
  { name: 'Work, log', path: work(2, '?pane=log'), shows: 'evidence-row' },
  { name: 'Work, table', path: work(2, '?pane=table'), shows: 'pane-table' },
  { name: 'Work, line', path: work(2, '?pane=diagram'), shows: 'line' },
  {
    name: 'Work, line, two points tapped',
    path: work(2, '?pane=diagram'),
    press: ['joint-coil.a', 'joint-coil.b'],
    shows: 'picked-good',
  },
  {
    name: 'Work, drawing',
    path: work(2, '?pane=diagram'),
    press: ['show-drawing'],
    shows: 'ladder',
  },
  { name: 'Diagrams', path: '/diagrams', shows: 'diagram-over-range-oven', wide: true },
  {
    name: 'Diagrams, none found',
    path: '/diagrams',
    type: { search: 'zebra' },
    shows: 'none-match',
  },
  { name: 'Diagram, drawing', path: '/diagram/coil-burner', shows: 'ladder', wide: true },
  { name: 'Diagram, tables', path: '/diagram/coil-burner?pane=tables', shows: 'pane-tables' },
  { name: 'Diagram, parts', path: '/diagram/coil-burner?pane=parts', shows: 'diagram-pane' },
  {
    name: 'Diagram, complaints',
    path: '/diagram/coil-burner?pane=complaints',
    shows: 'pane-complaints',
  },
  { name: 'Diagram, cautions', path: '/diagram/coil-burner?pane=cautions', shows: 'cautions' },
  { name: 'Diagram that is not there', path: '/diagram/nothing', shows: 'failed' },
  { name: 'Editor, lines', path: '/edit/coil-burner', shows: 'line-0', wide: true },
  {
    name: 'Editor, a line',
    path: '/edit/coil-burner',
    press: ['line-0', 'new-line-take'],
    type: { 'new-line': 'L1 > wibble > N' },
    shows: 'line-form',
  },
  { name: 'Editor, parts', path: '/edit/coil-burner?pane=parts', shows: 'part-infinite' },
  {
    name: 'Editor, a switch',
    path: '/edit/coil-burner?pane=parts&part=infinite',
    press: ['control', 'part-kind'],
    shows: 'grid-infinite',
  },
  {
    name: 'Editor, a supply and the shelf',
    path: '/edit/coil-burner?pane=parts',
    press: ['supply-feed', 'shelf', 'kind-motor'],
    shows: 'shelf-name',
  },
  { name: 'Editor, check', path: '/edit/coil-burner?pane=check', shows: 'findable' },
  { name: 'Editor, drawing', path: '/edit/coil-burner?pane=drawing', shows: 'uses' },
  {
    name: 'Editor, unit',
    path: '/edit/coil-burner?pane=unit',
    press: ['withdraw'],
    shows: 'withdraw-yes',
  },
  {
    name: 'Editor, tracing',
    path: '/edit/coil-burner',
    press: ['trace-open'],
    shows: 'trace-read',
  },
  { name: 'Editor, nothing there', path: '/edit/nothing', shows: 'failed' },
  { name: 'No such page', path: '/nowhere', shows: 'not-found' },
];

/** Brings a page to a state of a screen. */
export async function goTo(page: Browser, address: string, state: ScreenState): Promise<void> {
  await page.driver.get(`${address}${state.path}`);
  for (const [id, text] of Object.entries(state.type ?? {})) await page.fill(id, text);
  for (const id of state.press ?? []) await page.press(id);
  await page.find(state.shows);
}
