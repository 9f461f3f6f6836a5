import { createContext, type ReactNode } from 'react';

/** What stands above every screen: what the server would not store, whose words come with a script of their own. */
export const AboveScreen = createContext<ReactNode>(null);
