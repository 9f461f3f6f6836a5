/** How far something is that is read from the server or the device. */
export type Loading = 'idle' | 'loading' | 'ready' | 'failed';
