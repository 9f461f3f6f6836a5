import { combineReducers, configureStore } from '@reduxjs/toolkit';
import { calls } from './calls';
import { diagrams } from './diagrams';
import { account } from '../sync/account';
import { outbox } from '../sync/outbox';
import { meters } from './meters';
import { settings } from './settings';

const reducer = combineReducers({ account, calls, diagrams, meters, outbox, settings });

export const makeStore = () => configureStore({ reducer });

export type AppStore = ReturnType<typeof makeStore>;
export type RootState = ReturnType<typeof reducer>;
export type AppDispatch = AppStore['dispatch'];
