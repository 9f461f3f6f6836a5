import { isMoment } from './moment';
import { NewCallDto } from './call';
import { CustomerDto, EraseCustomerDto } from './customer';
import { HaveDto } from './diagram';
import { MeterDto } from './meter';
import { ModelSheetDto } from './modelSheet';
import { JoinDto, NewInvitationDto, NewShopDto, PasswordDto, ResetDto, SignInDto } from './people';
import { isJpeg, NewPhotoDto, saysWhereTaken } from './photo';
import { readDto } from './readDto';
import { NewReportLinkDto } from './reportLink';
import { unstorable } from './storable';
import { NewTableDto } from './table';
import { TablePhotoDto } from './tablePhoto';

const ID = '00000000-0000-4000-8000-000000000001';
const PHONE_AT = '2026-11-24T08:00:00Z';
const PASSWORD = 'four words make one';
const person = { name: 'Kim', email: 'kim@shop.example', password: PASSWORD };
const appliance = { id: ID, make: 'Norden', model: 'W-44', place: 'Cellar' };

/** What is sent beside entries: one that is taken, and changes by which it is refused, with the place. */
const BODIES: [shape: new () => object, good: object, wrong: [object, string][]][] = [
  [
    NewCallDto,
    {
      appliance,
      diagramId: 'top-load-washer',
      diagramVersion: 1,
      complaint: 'Does not spin',
      phoneAt: PHONE_AT,
    },
    [
      [{ appliance: undefined }, '/appliance'],
      [{ appliance: { ...appliance, id: 'x' } }, '/appliance/id'],
      [{ appliance: { ...appliance, model: '' } }, '/appliance/model'],
      [{ appliance: { ...appliance, customer: 'x'.repeat(81) } }, '/appliance/customer'],
      [{ appliance: { ...appliance, colour: 'white' } }, '/appliance/colour'],
      [{ complaint: '' }, '/complaint'],
      [{ complaint: 'x'.repeat(501) }, '/complaint'],
      [{ diagramVersion: 0 }, '/diagramVersion'],
      [{ diagramVersion: 2 ** 31 }, '/diagramVersion'],
      [{ phoneAt: '2026-11-24' }, '/phoneAt'],
    ],
  ],
  [
    NewShopDto,
    { ...person, shopName: 'Example Service' },
    [
      [{ shopName: '   ' }, '/shopName'],
      [{ name: 'x'.repeat(61) }, '/name'],
      [{ email: 'kim@shop' }, '/email'],
      [{ email: 'kim at shop.example' }, '/email'],
      [{ email: 'a@b@shop.example' }, '/email'],
      [{ password: 'x'.repeat(11) }, '/password'],
      [{ password: 'x'.repeat(129) }, '/password'],
    ],
  ],
  [JoinDto, { ...person, link: 'l' }, [[{ link: 'x'.repeat(201) }, '/link']]],
  [ResetDto, { link: 'l', password: PASSWORD }, [[{ password: 'short' }, '/password']]],
  // What is no password is tried as a wrong one; what is new has to be one.
  [PasswordDto, { now: 'short', next: PASSWORD }, [[{ next: 'short' }, '/next']]],
  [
    NewInvitationDto,
    { role: 'technician' },
    [
      [{ role: 'owner' }, '/role'],
      [{ person: 'kim' }, '/person'],
    ],
  ],
  [CustomerDto, { name: 'Marsh' }, [[{ name: '' }, '/name']]],
  [
    EraseCustomerDto,
    { name: 'Marsh', calls: 2 },
    [
      [{ calls: 0 }, '/calls'],
      [{ calls: 1.5 }, '/calls'],
      [{ calls: undefined }, '/calls'],
    ],
  ],
  [
    MeterDto,
    { name: 'yellow one', kind: 'ordinary-auto', leadOhms: 0.2 },
    [
      [{ name: '' }, '/name'],
      [{ kind: 'abacus' }, '/kind'],
      [{ leadOhms: -0.1 }, '/leadOhms'],
      [{ leadOhms: 5.1 }, '/leadOhms'],
      [{ leadOhms: '0.2' }, '/leadOhms'],
    ],
  ],
  [
    ModelSheetDto,
    { make: 'Norden', pattern: 'W-4*', diagram: 'top-load-washer', version: 2 },
    [
      [{ pattern: '**' }, '/pattern'],
      [{ diagram: 'top load' }, '/diagram'],
      [{ version: 0 }, '/version'],
    ],
  ],
  [ModelSheetDto, { make: '', pattern: 'W', diagram: null }, [[{ diagram: 3 }, '/diagram']]],
  [
    NewReportLinkDto,
    { days: 14, zone: 'Europe/Vienna', currency: '€' },
    [
      [{ days: 0 }, '/days'],
      [{ days: 91 }, '/days'],
      [{ zone: 'x'.repeat(61) }, '/zone'],
      [{ currency: 'dollars' }, '/currency'],
    ],
  ],
  [HaveDto, { have: ['top-load-washer/1'] }, [[{ have: 'all' }, '/have']]],
  [
    NewTableDto,
    { callId: ID, diagramVersion: 1, part: 'timer', csv: 'position,A-B', phoneAt: PHONE_AT },
    [
      [{ csv: '' }, '/csv'],
      [{ part: '' }, '/part'],
      [{ callId: 'x' }, '/callId'],
    ],
  ],
  [
    NewPhotoDto,
    { callId: ID, shows: 'The plate', jpeg: '/9j/4AAQ', phoneAt: PHONE_AT, drawnFrom: ID },
    [
      [{ shows: '' }, '/shows'],
      [{ of: '' }, '/of'],
      [{ drawnFrom: 'x' }, '/drawnFrom'],
      [{ jpeg: 'A'.repeat(800_001) }, '/jpeg'],
    ],
  ],
  // Base64 (RFC 4648), whole: its letters, and padding at the end alone.
  [
    TablePhotoDto,
    { jpeg: '/9j/4A==' },
    ['', '=', '/9j-', '/9j\n', ' /9j', '/9=j', '/9j===', '"/9j"'].map((jpeg) => [
      { jpeg },
      '/jpeg',
    ]),
  ],
];

describe('what is sent beside entries', () => {
  it.each(BODIES.map((each) => [each[0].name, ...each] as const))(
    '%s is taken as it is, and refused with the place',
    (_, shape, good, wrong) => {
      const read = readDto(shape, good);
      expect(read.ok ? JSON.parse(JSON.stringify(read.value)) : read.error).toEqual(good);
      for (const [change, path] of wrong) {
        const refused = readDto(shape, { ...good, ...change });
        const paths = refused.ok ? ['taken'] : refused.error.map((each) => each.path);
        expect([change, ...new Set(paths)]).toEqual([change, path]);
        if (!refused.ok) expect(refused.error[0]?.message).toMatch(/\w/);
      }
      expect(readDto(shape, { ...good, more: 1 })).toMatchObject({ error: [{ path: '/more' }] });
      expect(readDto(shape, [good])).toMatchObject({ error: [{ message: 'must be an object' }] });
    },
  );

  it('knows an address however it is typed, a name without what is around it, and takes no other kind for them', () => {
    const signIn = readDto(SignInDto, { email: ' Kim@Shop.Example ', password: 'x' });
    expect(signIn).toMatchObject({ ok: true, value: { email: 'kim@shop.example' } });
    const shop = readDto(NewShopDto, { ...person, name: ' Kim ', shopName: 'Ex ample' });
    expect(shop).toMatchObject({ value: { name: 'Kim', shopName: 'Ex ample' } });
    for (const wrong of [3, null, ['kim@shop.example'], {}]) {
      const refused = readDto(NewShopDto, { ...person, name: wrong, email: wrong, shopName: 's' });
      const paths = refused.ok ? [] : refused.error.map(({ path }) => path);
      expect([...new Set(paths)].sort()).toEqual(['/email', '/name']);
    }
    // A password is taken letter by letter, spaces too.
    const spaced = readDto(SignInDto, { email: person.email, password: ' x ' });
    expect(spaced).toMatchObject({ value: { password: ' x ' } });
  });

  it('keeps nothing that could not be kept: characters that are none, names of the language, nesting without end', () => {
    const nested = (deep: number): unknown => (deep ? [nested(deep - 1)] : 'x');
    expect(unstorable(nested(32))).toBeUndefined();
    expect(unstorable(nested(33))).toEqual({
      path: '/0'.repeat(32),
      message: 'is nested more than 32 deep',
    });
    expect(unstorable({ a: [{ 'b/c~d': 'x\u0000' }] })?.path).toBe('/a/0/b~1c~0d');
    expect(unstorable({ a: '\ud800' })?.message).toMatch(/half of a character/);
    expect(unstorable({ a: '\u{1F527}' })).toBeUndefined();
    expect(unstorable({ toString: 1 })).toEqual({
      path: '/toString',
      message: 'is not known here',
    });
    expect(unstorable({ 'x\u0000': 1 })?.message).toMatch(/NUL/);
  });
});

it('takes moments of RFC 3339 that the calendar has, in the years of a phone', () => {
  const taken = ['2000-01-01T00:00:00Z', '2199-12-31T23:59:59Z', '2024-02-29T08:00:00+05:30'];
  expect(taken.filter((each) => !isMoment(each))).toEqual([]);
  const refused = [
    '1999-12-31T23:59:59Z',
    '2200-01-01T00:00:00Z',
    '2025-02-29T08:00:00Z',
    '2026-11-24T08:00:00',
    '2026-11-24',
    1,
    null,
  ];
  expect(refused.filter(isMoment)).toEqual([]);
});

describe('the bytes of a photo', () => {
  /** Segments as ISO/IEC 10918-1 has them: marker, length with itself, content. */
  const jpeg = (...segments: [marker: number, content: number][]): Uint8Array =>
    Uint8Array.from([
      ...[0xff, 0xd8],
      ...segments.flatMap(([marker, content]) => [
        ...[0xff, marker, (content + 2) >> 8, (content + 2) & 0xff],
        ...Array.from({ length: content }, () => 0xff),
      ]),
    ]);
  const [APP0, APP1, APP13, TABLES, PICTURE] = [0xe0, 0xe1, 0xed, 0xdb, 0xda];

  it('begin as a JPEG does', () => {
    expect(isJpeg(jpeg([APP0, 14]))).toBe(true);
    expect(isJpeg(Uint8Array.from([0x89, 0x50, 0x4e, 0x47]))).toBe(false);
    expect(isJpeg(Uint8Array.from([0xff, 0xd8]))).toBe(false);
  });

  it('say where it was taken in Exif, XMP or IPTC, wherever those stand before the picture', () => {
    expect(saysWhereTaken(jpeg([APP1, 30]))).toBe(true);
    expect(saysWhereTaken(jpeg([APP0, 14], [TABLES, 700], [APP13, 4]))).toBe(true);
    expect(saysWhereTaken(jpeg([APP0, 14], [TABLES, 65], [PICTURE, 10], [APP1, 30]))).toBe(false);
    // A length is two bytes: 300 is not 44.
    expect(saysWhereTaken(jpeg([TABLES, 300], [APP1, 8]))).toBe(true);
    expect(saysWhereTaken(jpeg([APP0, 14]))).toBe(false);
    expect(saysWhereTaken(Uint8Array.from([0xff, 0xd8, 0xff, 0xe1]))).toBe(false);
  });
});
