import { readTableCsv } from '../../contract/contactTableCsv';
import { readDiagramFile } from '../../contract/notationFile';
import { sayInputFault, type InputFault } from '../../contract/problem';
import { findSwitch } from '../../core/diagram/terminal';
import { makePlace } from '../../library/shelf/makePlace';
import { BadInput, EXIT, out, outJson, valueOf, type Exit } from './command';
import { openDiagram, readText } from './openDiagram';

export interface CheckOptions {
  file?: string;
  /** For a table: the diagram and the switch that it is for. */
  diagram?: string;
  part?: string;
  json: boolean;
}

/** `./yarrix check FILE [--diagram D --part P]`: whether a diagram or a table would be taken. */
export function check(options: CheckOptions): Exit {
  if (!options.file)
    throw new BadInput(
      'name a FILE: a diagram (.json, or .txt in the line notation) or a contact table (.csv)',
    );
  const text = readText(options.file);
  let faults: InputFault[] = [];
  let warnings: InputFault[] = [];
  if (options.file.endsWith('.csv')) {
    if (!options.diagram || !options.part)
      throw new BadInput('a table is checked against a switch: add --diagram DIAGRAM --part PART');
    const diagram = openDiagram(options.diagram);
    const read = readTableCsv(diagram, valueOf(findSwitch(diagram, options.part)), text);
    if (!read.ok) faults = read.error;
  } else {
    const read = readDiagramFile(text, makePlace);
    if (read.ok) warnings = read.value.warnings;
    else faults = read.error;
  }
  const sound = faults.length === 0;
  if (options.json) outJson({ file: options.file, ok: sound, faults, warnings });
  else {
    for (const each of faults) out(`${options.file}: ${sayInputFault(each)}`);
    for (const each of warnings) out(`${options.file}: warning: ${sayInputFault(each)}`);
    if (sound) out(`${options.file}: good`);
  }
  return sound ? EXIT.done : EXIT.no;
}
