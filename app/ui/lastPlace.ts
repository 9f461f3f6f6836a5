import { useEffect } from 'react';

/** Where one was last within a call, with what was chosen there. */
export interface LastPlace {
  callId: string;
  href: string;
  title: string;
}

let last: LastPlace | undefined;

/** Keeps where one is, so that the page of the call leads back there by one tap. */
export function useKeptPlace(title: string): void {
  useEffect(() => {
    const { pathname, search } = window.location;
    const [, callId] = /^\/call\/([^/]+)\/./.exec(pathname) ?? [];
    if (callId !== undefined) last = { callId, href: pathname + search, title };
  });
}

export const lastPlaceIn = (callId: string): LastPlace | undefined =>
  last?.callId === callId ? last : undefined;
