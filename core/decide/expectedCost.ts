/** What one way of mending comes to, returns counted in; money is the shop's own. */

/** What a shop charges and pays, and how far it looks ahead. */
export interface ShopTerms {
  /** Charged to the customer for an hour at the unit. */
  perHour: number;
  /** Charged for coming, whatever is done. */
  visit: number;
  /** What an hour of a technician costs the shop, the way counted in. */
  costPerHour: number;
  /** Minutes of the way there and back. */
  wayMinutes: number;
  /** A part is bought for this share of what it is sold for. */
  boughtFor: number;
  /** A day without the unit, as the customer would pay to have it. */
  dayWithout: number;
  /** Days after which a return is a new call. */
  horizonDays: number;
  /** A part that protects people is named by two readings that do not hang together. */
  twoReadings: boolean;
}

/** Usual terms, from memory; a shop sets its own. */
export const USUAL_TERMS: ShopTerms = {
  perHour: 95,
  visit: 89,
  costPerHour: 55,
  wayMinutes: 50,
  boughtFor: 0.6,
  dayWithout: 8,
  horizonDays: 90,
  twoReadings: true,
};

/** Something that may bring the technician back within the horizon; each by itself. */
export interface ReturnEvent {
  says: string;
  /** 0 to 1. */
  chance: number;
  /** Who stands in for it: the shop for its own work and parts, the customer for what was declined or was told. */
  pays: 'shop' | 'customer';
  /** Part that is then put in, as it is sold. */
  partPrice: number;
  minutes: number;
}

/** What is done now, and what may come of it. */
export interface Outlay {
  partPrice: number;
  minutes: number;
  leadDays: number;
  /** Times that somebody goes there; the one that is paid already counts none. */
  moreVisits: number;
  events: readonly ReturnEvent[];
}

export interface ExpectedCost {
  /** What the customer pays and does without, on the average. */
  customer: number;
  /** What it costs the shop beyond what the customer pays for: returns that it stands in for. */
  shop: number;
  /** Chance that somebody has to come again within the horizon. */
  comesBack: number;
  /** The sum, term by term, as it is shown. */
  terms: CostTerm[];
}

export interface CostTerm {
  says: 'part' | 'labour' | 'visits' | 'waiting' | 'returns';
  customer: number;
  shop: number;
}

/** A chance within the horizon from how often it happens in a year: it may happen on any day alike (exponential law). */
export const chanceWithin = (perYear: number, days: number): number =>
  1 - Math.exp((-perYear * days) / 365);

/**
 * Expected cost of an outlay. Events are independent; whoever's event is among those that happen pays its part and
 * labour, and one visit is paid once: by the shop where one of its own is among them, else by the customer.
 */
export function expectedCost(outlay: Outlay, terms: ShopTerms): ExpectedCost {
  const { partPrice, minutes, leadDays, moreVisits, events } = outlay;
  const hour = 1 / 60;
  const visitCost = terms.wayMinutes * hour * terms.costPerHour;
  const none = (pays: ReturnEvent['pays']): number =>
    events.filter((each) => each.pays === pays).reduce((all, { chance }) => all * (1 - chance), 1);
  const [noneOfShop, noneOfCustomer] = [none('shop'), none('customer')];
  const returns = { customer: 0, shop: 0 };
  for (const { chance, pays, partPrice: price, minutes: more } of events)
    if (pays === 'customer') returns.customer += chance * (price + more * hour * terms.perHour);
    else returns.shop += chance * (price * terms.boughtFor + more * hour * terms.costPerHour);
  returns.shop += (1 - noneOfShop) * visitCost;
  returns.customer += noneOfShop * (1 - noneOfCustomer) * terms.visit;
  const sum: CostTerm[] = [
    { says: 'part', customer: partPrice, shop: 0 },
    { says: 'labour', customer: minutes * hour * terms.perHour, shop: 0 },
    { says: 'visits', customer: moreVisits * terms.visit, shop: 0 },
    { says: 'waiting', customer: leadDays * terms.dayWithout, shop: 0 },
    { says: 'returns', ...returns },
  ];
  const total = (of: 'customer' | 'shop'): number => sum.reduce((all, each) => all + each[of], 0);
  return {
    customer: total('customer'),
    shop: total('shop'),
    comesBack: 1 - noneOfShop * noneOfCustomer,
    terms: sum,
  };
}
