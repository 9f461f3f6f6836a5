import * as fc from 'fast-check';
import {
  chanceWithin,
  expectedCost,
  USUAL_TERMS,
  type Outlay,
  type ReturnEvent,
} from './expectedCost';

const event: fc.Arbitrary<ReturnEvent> = fc.record({
  says: fc.constant('x'),
  chance: fc.double({ min: 0, max: 1, noNaN: true }),
  pays: fc.constantFrom('shop', 'customer'),
  partPrice: fc.integer({ min: 0, max: 300 }),
  minutes: fc.integer({ min: 0, max: 120 }),
});
const outlay: fc.Arbitrary<Outlay> = fc.record({
  partPrice: fc.integer({ min: 0, max: 400 }),
  minutes: fc.integer({ min: 0, max: 240 }),
  leadDays: fc.integer({ min: 0, max: 30 }),
  moreVisits: fc.integer({ min: 0, max: 2 }),
  events: fc.array(event, { maxLength: 6 }),
});

/** Every way in which the events may come out, one by one, with what each costs whom. */
function bruteForce(of: Outlay): { customer: number; shop: number; comesBack: number } {
  const { perHour, costPerHour, visit, wayMinutes, boughtFor, dayWithout } = USUAL_TERMS;
  const all = { customer: 0, shop: 0, comesBack: 0 };
  for (let happens = 0; happens < 1 << of.events.length; happens++) {
    const came = of.events.filter((_, i) => happens & (1 << i));
    const chance = of.events.reduce(
      (p, e, i) => p * (happens & (1 << i) ? e.chance : 1 - e.chance),
      1,
    );
    let customer =
      of.partPrice + (of.minutes / 60) * perHour + of.moreVisits * visit + of.leadDays * dayWithout;
    let shop = 0;
    for (const { pays, partPrice, minutes } of came)
      if (pays === 'customer') customer += partPrice + (minutes / 60) * perHour;
      else shop += partPrice * boughtFor + (minutes / 60) * costPerHour;
    if (came.some(({ pays }) => pays === 'shop')) shop += (wayMinutes / 60) * costPerHour;
    else if (came.length) customer += visit;
    all.customer += chance * customer;
    all.shop += chance * shop;
    all.comesBack += chance * (came.length ? 1 : 0);
  }
  return all;
}

describe('the expected cost of an option', () => {
  it('is what every way in which it may come out comes to, weighed by its chance', () => {
    fc.assert(
      fc.property(outlay, (of) => {
        const [got, all] = [expectedCost(of, USUAL_TERMS), bruteForce(of)];
        expect(got.customer).toBeCloseTo(all.customer, 6);
        expect(got.shop).toBeCloseTo(all.shop, 6);
        expect(got.comesBack).toBeCloseTo(all.comesBack, 9);
        const sum = got.terms.reduce((total, each) => total + each.customer, 0);
        expect(sum).toBeCloseTo(got.customer, 9);
      }),
    );
  });

  it('rises with the horizon as what happens on any day alike does', () => {
    expect(chanceWithin(0.5, 0)).toBe(0);
    // Twice the time leaves the square of what one leaves whole.
    expect(1 - chanceWithin(0.5, 180)).toBeCloseTo((1 - chanceWithin(0.5, 90)) ** 2, 12);
    expect(chanceWithin(0.001, 365)).toBeCloseTo(0.001, 5);
  });
});
