/** Who may do what: a lead sees to people and to what leaves the shop, too. */
export const ROLES = ['lead', 'technician'] as const;
export type Role = (typeof ROLES)[number];

/** Somebody who is signed in, and the shop that they work in. */
export interface Account {
  shop: string;
  shopName: string;
  person: string;
  name: string;
  email: string;
  role: Role;
}

/**
 * Names the person that a request is made for. A browser has one session and may have several tabs and writes of
 * several people: a request for somebody else than the session's is answered 401 and changes nothing.
 */
export const ACCOUNT_HEADER = 'x-yarrix-account';

/** The shop to try things in; only a start for trying has it. */
export const DEMO_SHOP = 'demo';
/** Whoever looks around in it. */
export const DEMO_PERSON = '00000000-0000-4000-8000-000500000000';
/** The shop that is there from the first start on; whoever founds first has it. */
export const FIRST_SHOP = 'own';

/** What stands at the door of a server. */
export interface Door {
  /** Whether there is a demo to look around in. */
  demo: boolean;
  /** Whether nobody has founded a shop yet. */
  first: boolean;
  /** Whether another shop may be founded. */
  founding: boolean;
}
