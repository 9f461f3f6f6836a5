import { forget } from './startedOnce';

/** Jest's global tear-down of the browser's tests. */
export default forget;
