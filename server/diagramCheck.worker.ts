import { readDiagramFile } from '../contract/notationFile';
import { makePlace } from '../library/shelf/makePlace';

/** One diagram file, in a thread of its own; parts that a line names and nothing declares are of the trade's kinds. */
export default (text: string) => readDiagramFile(text, makePlace);
