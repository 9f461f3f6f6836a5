import { useEffect, useState } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import type { Diagram } from '../../../core/diagram/diagram';
import { type Fault } from '../../../core/fault/fault';
import { nameFault } from '../../../core/describe/fault';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { space, WIDE_FROM } from '../../theme/theme';
import { askWorker, type ShownComplaint } from '../../workers/diagnosis';
import { ComplaintTable } from './ComplaintTable';
import { sayDoing } from '../../../core/describe/outcome';
import { sayLast } from '../../../core/describe/use';

type Found = { complaints: ShownComplaint[]; hidden: Fault[] };

/** What each fault does, computed by running it through the unit's own uses. */
export function ComplaintMap({ diagram, drawingKey }: { diagram: Diagram; drawingKey: string }) {
  const [found, setFound] = useState<{ of: string; map: Found } | { of: string; why: string }>();
  useEffect(() => {
    let wanted = true;
    askWorker({ ask: 'complaints', key: drawingKey, diagram }).then(
      (answer) => {
        if (wanted && answer.kind === 'complaints') setFound({ of: drawingKey, map: answer });
      },
      (error: Error) => {
        if (wanted) setFound({ of: drawingKey, why: error.message });
      },
    );
    return () => {
      wanted = false;
    };
  }, [diagram, drawingKey]);
  const wide = useWindowDimensions().width >= WIDE_FROM;
  if (found?.of !== drawingKey)
    return <Notice icon="loader" title="Running every fault" testID="map-loading" />;
  if ('why' in found)
    return (
      <Notice
        icon="alert-triangle"
        title="The map cannot be computed on this device"
        text={found.why}
        testID="map-failed"
      />
    );
  const { complaints, hidden } = found.map;
  return (
    <>
      {wide && <ComplaintTable diagram={diagram} complaints={complaints} />}
      {(wide ? [] : complaints).map(({ statement: { steps, subject, outcome }, faults }) => (
        <Card key={`${steps} ${subject} ${outcome}`} testID="complaint">
          <Type weight="heavy">{sayDoing(diagram, subject, outcome)}</Type>
          <Type size="small" tone="soft">
            {sayLast(diagram, steps)}
          </Type>
          <Faults diagram={diagram} faults={faults} />
        </Card>
      ))}
      {hidden.length > 0 && (
        <Card testID="hidden-faults" ground="sunk">
          <Type weight="heavy">Noticed by nobody in these uses</Type>
          <Type size="small">Only a reading or a safety check finds these.</Type>
          <Faults diagram={diagram} faults={hidden} />
        </Card>
      )}
    </>
  );
}

function Faults({ diagram, faults }: { diagram: Diagram; faults: readonly Fault[] }) {
  const names = [...new Set(faults.map((fault) => nameFault(diagram, fault)))];
  return (
    <View style={styles.faults}>
      {names.map((name) => (
        <Type key={name} size="small">
          · {name}
        </Type>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({ faults: { paddingTop: space.xs } });
