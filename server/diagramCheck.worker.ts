import { readDiagram } from '../contract/diagramFile';

/** One diagram file, in a thread of its own. */
export default readDiagram;
