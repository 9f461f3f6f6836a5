import { shapeOfDiagram } from '../contract/diagramFile';
import { readDiagramFile } from '../contract/notationFile';
import { makePlace } from '../library/shelf/makePlace';

// Its schema is made into a program before the first file comes.
shapeOfDiagram(undefined);

/** One diagram file, in a thread of its own; parts that a line names and nothing declares are of the trade's kinds. */
export default (text: string) => readDiagramFile(text, makePlace);
