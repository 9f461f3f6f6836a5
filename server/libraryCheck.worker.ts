import { readLibrary } from '../contract/libraryFile';

/** A shop's whole library, in a thread of its own. */
export default readLibrary;
