/** As much of Trusted Types (W3C) as is used here; browsers without it do as they always did. */
interface TrustedTypes {
  createPolicy(
    name: 'default',
    rules: {
      createScriptURL: (url: string) => string | null;
      createHTML: (html: string) => string | null;
    },
  ): unknown;
}

const { trustedTypes } = globalThis as { trustedTypes?: TrustedTypes };

// The server asks for it (`server/app.ts`): scripts and workers come from here alone, and no text becomes a part of a page.
trustedTypes?.createPolicy('default', {
  createScriptURL: (url) => (new URL(url, location.href).origin === location.origin ? url : null),
  // Who draws on a photo empties a stage so.
  createHTML: (html) => (html === '' ? html : null),
});
