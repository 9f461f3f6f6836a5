import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { buildNetwork } from '../../../core/circuit/network';
import { netlist } from '../../../core/circuit/spice';
import type { Diagram } from '../../../core/diagram/diagram';
import { drawnSetup, poweredSetup } from '../../../core/diagram/setup';
import { writeNotation } from '../../../core/draft/writeNotation';
import { drawnShowing } from '../../../core/drawing/showing';
import { toSvg } from '../../../core/drawing/svg';
import { useWho } from '../../state/hooks';
import { fetchDiagramPage } from '../../sync/api';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { saveAs, saveFile } from '../../ui/saveAs';
import { sayWhyNot } from '../../ui/sayWhyNot';
import { Type } from '../../ui/Type';
import { drawingOf } from '../../workers/layout';
import { space } from '../../theme/theme';

interface Props {
  diagram: Diagram;
  /** What its drawing is kept by. */
  drawingKey: string;
  /** The version that the server has of just this; undefined for what is not stored. */
  version: number | undefined;
}

/** A diagram as a file: text and JSON to take in again, its drawing, a page for the truck, a netlist. */
export function DiagramFiles({ diagram, drawingKey, version }: Props) {
  const who = useWho();
  const [failed, setFailed] = useState<string>();
  const [making, setMaking] = useState(false);
  const text = (): void => saveAs(`${diagram.id}.txt`, 'text/plain', writeNotation(diagram));
  const json = (): void =>
    saveAs(`${diagram.id}.json`, 'application/json', `${JSON.stringify(diagram, null, 2)}\n`);
  /** What is not sound yet can be neither drawn nor reckoned with. */
  const whereSound = async (make: () => void | Promise<void>): Promise<void> => {
    setFailed(undefined);
    try {
      await make();
    } catch (error) {
      const why = error instanceof Error ? error.message : String(error);
      setFailed(`Not yet: ${why}. Check says what is in the way.`);
    }
  };
  const drawn = async (): Promise<void> => {
    const drawing = await drawingOf(drawingKey, diagram);
    const svg = toSvg(diagram, drawing, drawnShowing(diagram));
    saveAs(`${diagram.id}.svg`, 'image/svg+xml', svg);
  };
  const page = async (of: number): Promise<void> => {
    setMaking(true);
    setFailed(undefined);
    try {
      saveFile(`${diagram.id}.pdf`, await fetchDiagramPage(who, diagram.id, of));
    } catch (error) {
      setFailed(sayWhyNot(error, 'The server makes the page, and it is away just now.').join(' '));
    }
    setMaking(false);
  };
  const circuit = (): void => {
    const network = buildNetwork(diagram, poweredSetup(drawnSetup(diagram)));
    const cards = [netlist(diagram, network), '.ac lin 1 60 60', '.op', '.end'];
    saveAs(`${diagram.id}.cir`, 'text/plain', `${cards.join('\n')}\n`);
  };
  return (
    <Card testID="files">
      <Type weight="heavy" role="heading" aria-level={2}>
        As a file
      </Type>
      <View style={styles.row}>
        <Button icon="file-text" label="As text, line by line" testID="save-text" onPress={text} />
        <Button icon="download" label="As JSON" testID="save-json" onPress={json} />
        <Button
          icon="download"
          label="Drawing, SVG"
          testID="save-svg"
          onPress={() => void whereSound(drawn)}
        />
        <Button
          icon="download"
          label="Netlist"
          hint="For ngspice: its controls as drawn, energised"
          testID="save-netlist"
          onPress={() => void whereSound(circuit)}
        />
        {version !== undefined && (
          <Button
            icon="printer"
            label="Pages for the truck, PDF"
            testID="save-page"
            disabled={making}
            onPress={() => void page(version)}
          />
        )}
      </View>
      {version === undefined && (
        <Type size="small" tone="soft">
          Pages for the truck are made once it is stored.
        </Type>
      )}
      {failed !== undefined && (
        <Type weight="strong" tone="bad" role="alert" testID="diagram-file-failed">
          {failed}
        </Type>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
});
