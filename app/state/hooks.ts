import { useDispatch, useSelector, useStore } from 'react-redux';
import { whoIn } from '../sync/account';
import type { AppDispatch, AppStore, RootState } from './store';

export const useAppDispatch = useDispatch.withTypes<AppDispatch>();
export const useAppSelector = useSelector.withTypes<RootState>();
export const useAppStore = useStore.withTypes<AppStore>();

/** The id of who works here, which every question to the server is asked with. */
export const useWho = (): string => useAppSelector(whoIn);
