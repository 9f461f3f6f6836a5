import { foldText } from '../../core/describe/searchWords';

/**
 * Words of customers and of the trade that mean the same when a unit or its complaint is looked for; the first
 * stands for all of them. Common practice.
 */
const ALIKE: readonly (readonly string[])[] = [
  ['washer', 'washing', 'laundry'],
  ['dryer', 'drier', 'tumble'],
  ['refrigerator', 'fridge', 'freezer', 'icebox'],
  ['range', 'stove', 'cooker', 'hob', 'cooktop'],
  ['oven', 'microwave', 'micro'],
  ['conditioner', 'ac', 'aircon', 'airconditioner', 'cooling'],
  ['furnace', 'hvac', 'heating'],
  ['trailer', 'rv', 'caravan', 'camper', 'motorhome'],
  ['compactor', 'crusher'],
  ['disposer', 'disposal', 'garburator'],
  ['hood', 'extractor'],
  ['burner', 'ring', 'eye', 'hotplate', 'coil', 'hob'],
  ['lamp', 'light', 'lite', 'bulb', 'led'],
  ['board', 'display', 'clock', 'screen', 'panel', 'keypad', 'code', 'error'],
  ['fan', 'blower', 'air'],
  ['pump', 'drain', 'empty', 'empties'],
  ['water', 'fill', 'fills'],
  ['drum', 'tumbler'],
  ['tub', 'basket', 'spin', 'agitate', 'agitator'],
  ['turntable', 'plate', 'tray'],
  ['flame', 'gas', 'fire', 'ignite', 'ignites'],
  ['igniter', 'ignitor', 'spark', 'glow'],
  ['breaker', 'gfci', 'rcd', 'mains'],
  ['start', 'button'],
  ['lower', 'bake', 'bottom'],
  ['upper', 'broil', 'grill', 'top'],
  ['food', 'cook', 'cooks', 'popcorn'],
  ['ice', 'cubes'],
  ['works', 'runs', 'turns', 'running', 'working'],
];

const STATE_NAMES = [
  'stayson',
  'onlywhile',
  'trips',
  'off',
  'noheat',
  'nolight',
  'norun',
  'noaction',
  'dead',
  'hums',
  'weakly',
  'onandoff',
  'toohot',
  'works',
] as const;
/** A word of the index that stands for a state, of whatever it is. */
export type StateWord = (typeof STATE_NAMES)[number];
export const STATE_WORDS: ReadonlySet<string> = new Set(STATE_NAMES);

/** What is said of a state in many ways: each is one word in the index, and in what is typed. */
const STATES: readonly (readonly [RegExp, string])[] = (() => {
  const not =
    "(?:won'?t|wnt|will not|doe?s?e?n'?t|does not|don'?t|do not|can'?t|can ?not|isn'?t|is not|not|never|no|without|stopped|quit|fails to)(?: (?:any|get|getting|gets|be|come|comes|go|goes|on|even|the|to)){0,3}";
  const says = (what: string): RegExp => new RegExp(`\\b${what}\\b`, 'g');
  return [
    [says('no hot water'), 'off noheat hot water'],
    [
      says(`${not} (?:stop|stops|shut off|shuts off|turn off|turns off|go off|pause|pauses)`),
      'stayson',
    ],
    [
      says('(?:stays?|stuck|always|keeps) (?:on|lit|running|going)|runs all the time|all the time'),
      'stayson',
    ],
    [says('only (?:runs?|works?|goes|turns?) (?:while|when|if|as long as)'), 'onlywhile'],
    [
      says(
        'blow(?:s|n|ing)?(?: the| a| its| my)? fuses?|blew(?: the| a| its| my)? fuses?|fuse blows?',
      ),
      'trips fuse',
    ],
    [
      says('(?:tripp?(?:s|ed|ing)?|pops?|kicks?)(?: the| a| its| my)? (?:breaker|gfci)'),
      'trips breaker',
    ],
    [says('breaker (?:tripp?(?:s|ed|ing)?|pops?|kicks?)'), 'trips breaker'],
    [says('tripp?(?:s|ed|ing)?|pops?|kicks?|blew'), 'trips'],
    [
      says(`${not} (?:heat\\w*|hot|warm\\w*|cook\\w*|bak\\w+|broil\\w*)|stays? cold|ice cold|cold`),
      'off noheat',
    ],
    [
      says(`${not} (?:light|lights|lit|lamp|bulb)|stays? dark|dark|(?:is|burn(?:ed|t)) out`),
      'off nolight',
    ],
    [says(`${not} glow\\w*`), 'off noheat nolight igniter'],
    [says(`${not} (?:drain\\w*|empt\\w+|pump\\w*)`), 'off norun pump'],
    [says(`${not} (?:fill\\w*|water)`), 'off noaction water'],
    [says(`${not} (?:spin\\w*|agitat\\w*)`), 'off norun tub'],
    [says(`${not} (?:tumbl\\w*|turn\\w*)`), 'off norun'],
    [
      says(`${not} (?:run\\w*|start\\w*|mov\\w+|work\\w*|blow\\w*|cool\\w*)|stands? still`),
      'off norun',
    ],
    [says(`${not} (?:ignit\\w*|burn\\w*|flame|fire|gas)`), 'off noaction noheat flame'],
    [says(`${not} (?:click\\w*|open\\w*|lock\\w*)`), 'off noaction'],
    [says('dead|nothing(?: happens)?|no power|blank|lifeless'), 'off dead'],
    [says('humm?(?:s|ing)?|buzz\\w*|growl\\w*'), 'hums'],
    [says('weak\\w*|slow\\w*|dim|barely|lukewarm|only (?:gets? )?warm|little'), 'weakly'],
    [says('on and off|comes? and goes?|cycles?|cycling|flicker\\w*|short cycl\\w+'), 'onandoff'],
    [says('too hot|burns (?:food|clothes)|overheat\\w*|scorch\\w*'), 'toohot'],
    [says('(?:is |are |all |just |still )?(?:fine|okay|ok|good|works?(?: fine)?)'), 'works'],
  ];
})();

const FIRST = new Map(
  ALIKE.flatMap(([first = '', ...others]) => others.map((each) => [each, first])),
);

/** Words that say nothing of a unit. */
const EMPTY = new Set(
  'a an the it its is are was be and or but of on in at to with when while then i my me we you he she they this that there has have had just only very more than as so for from by up out not no does do if after before'.split(
    ' ',
  ),
);

/** The words of a name or a sentence of ours as they are searched: synonyms as one, without what says nothing. */
export const tradeWords = (text: string): string[] =>
  foldText(text)
    .split(/[^a-z0-9]+/)
    .filter((word) => word.length > 1 && !EMPTY.has(word))
    .map((word) => FIRST.get(word) ?? FIRST.get(singular(word)) ?? singular(word));

/** The same of what somebody types, whose way of saying a state is read first: "wont heat", "blows the fuse". */
export const typedWords = (text: string): string[] =>
  tradeWords(
    STATES.reduce(
      (said, [pattern, word]) => said.replace(pattern, ` ${word} `),
      foldText(text).replace(/[’`]/g, "'"),
    ),
  );

const singular = (word: string): string =>
  word.length > 4 && word.endsWith('s') && !word.endsWith('ss') ? word.slice(0, -1) : word;
