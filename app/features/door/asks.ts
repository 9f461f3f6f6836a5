/** What somebody new is asked. */
export const NEW_PERSON = [
  { name: 'name', label: 'Your name' },
  { name: 'email', label: 'E-mail address, to sign in with', kind: 'email' },
  { name: 'password', label: 'A password, 12 letters or more', kind: 'new-password' },
] as const;

export const FOUNDING = [{ name: 'shopName', label: 'Name of the shop' }, ...NEW_PERSON] as const;
