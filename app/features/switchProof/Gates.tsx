import { StyleSheet, View } from 'react-native';
import { marked } from '../../../core/describe/point';
import { isolate } from '../../../core/circuit/isolation';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { PhotosOf } from '../photos/PhotoRow';
import { PhotoButton } from '../../ui/PhotoButton';
import { Type } from '../../ui/Type';
import { useKeys } from '../../ui/useKeys';
import { WireMapCard } from '../ledger/WireMapCard';
import { space, useTheme } from '../../theme/theme';
import { MakeSafe } from '../safety/MakeSafe';
import { ProveMeter } from '../safety/ProveMeter';
import type { Gate, SwitchProof } from './useSwitchProof';
import { Icon } from '../../ui/Icon';

/** What stops the flow until somebody says that it is done; the answer is kept in the log. */
export function Gates({ proof, gate }: { proof: SwitchProof; gate: Gate }) {
  switch (gate) {
    case 'made-safe':
      return (
        <MakeSafe
          diagram={proof.diagram}
          poweredSince={proof.poweredSince}
          makeSafe={() => proof.acknowledge('made-safe')}
        />
      );
    case 'meter-proved':
      return <ProveMeter proved={(ohms, name) => proof.acknowledge('meter-proved', ohms, name)} />;
    case 'wires-off':
      return <WiresOff proof={proof} />;
  }
}

function WiresOff({ proof }: { proof: SwitchProof }) {
  const { diagram } = proof.call;
  const { lift, sneakPaths } = isolate(diagram, proof.part);
  const nameOf = (id: string): string => diagram.parts.find((each) => each.id === id)?.name ?? id;
  const done = (): void => proof.acknowledge('wires-off');
  useKeys(lift.length ? {} : { Enter: done });
  return (
    <Card edge="warn" testID="gate-wires-off" style={styles.gate}>
      <Type size="title" weight="heavy">
        {lift.length ? 'Map first, then wires off' : 'Photo; the wires stay on'}
      </Type>
      {proof.part.where && <Step text={`${proof.part.where}. Panel: ${panelOf(proof)}.`} />}
      <Step text="Take a photo, and put this map right by what you see, before you pull anything." />
      {sneakPaths.map((way) => (
        <Type key={`${way.from} ${way.to}`} size="small" tone="soft">
          Left on, {way.through.map(nameOf).join(' and ')} would answer between{' '}
          {marked(diagram, way.from)} and {marked(diagram, way.to)}.
        </Type>
      ))}
      {lift.length === 0 && (
        <Type>No other way leads round this switch: it can be read with its wires on.</Type>
      )}
      <PhotoButton
        callId={proof.call.id}
        shows={`Wires of ${proof.part.name}`}
        of={proof.part.id}
        label="Photo of the wires"
      />
      <PhotosOf callId={proof.call.id} of={proof.part.id} />
      {lift.length > 0 ? (
        <WireMapCard
          diagram={diagram}
          part={proof.part.id}
          lift={lift}
          label="Map is right, these wires are off"
          write={(map) => {
            proof.writeMap(map);
            done();
          }}
        />
      ) : (
        <Button
          look="act"
          label="Go on"
          icon="camera"
          shortcut="Enter"
          testID="gate-done"
          onPress={done}
        />
      )}
    </Card>
  );
}

function panelOf({ call, part }: SwitchProof): string {
  const panel = call.diagram.panels.find((each) => each.id === part.panel);
  return panel ? `${panel.name} (${panel.fastener}, about ${panel.minutes} min)` : 'not said';
}

function Step({ text, warn }: { text: string; warn?: boolean }) {
  const palette = useTheme();
  return (
    <View style={styles.step}>
      <Icon
        name={warn ? 'alert-triangle' : 'chevron-right'}
        size={20}
        color={warn ? palette.warn : palette.soft}
      />
      <Type style={styles.stepText}>{text}</Type>
    </View>
  );
}

const styles = StyleSheet.create({
  gate: { gap: space.m, borderWidth: 2 },
  step: { flexDirection: 'row', gap: space.s },
  stepText: { flex: 1 },
});
