import { router } from 'expo-router';
import { useState } from 'react';
import { sayDifferences } from '../../../core/describe/diagramDifference';
import type { Diagram } from '../../../core/diagram/diagram';
import { loadDiagrams } from '../../state/diagrams';
import { useAppDispatch, useWho } from '../../state/hooks';
import { diagramOnDevice, withdrawDiagram } from '../../sync/api';
import { throwDraftAway } from '../../sync/keptDrafts';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { OneOf } from '../../ui/OneOf';
import { Type } from '../../ui/Type';
import { sayWhyNot } from '../../ui/sayWhyNot';
import { DiagramFiles } from '../diagrams/DiagramFiles';
import { keyOf } from './DrawnDraft';
import { AskTwice } from './AskTwice';
import { LateField } from './LateField';
import { ModelsCard } from './ModelsCard';

interface Props {
  diagram: Diagram;
  stored: { version: number; body: Diagram } | undefined;
  /** What it was made from, where that is on the device. */
  origin: Diagram | undefined;
  change: (to: Diagram) => void;
}

/** What the unit is called, what it was made from, what differs between its versions, and its files. */
export function UnitPane({ diagram, stored, origin, change }: Props) {
  const named = (field: 'name' | 'kind', what: string) => (text: string) => {
    if (!text) return `Say ${what}.`;
    change({ ...diagram, [field]: text.slice(0, 200) });
    return undefined;
  };
  const differs = stored
    ? { from: stored.body, says: `version ${stored.version}, as it is stored` }
    : origin && { from: origin, says: origin.name };
  return (
    <>
      <Card testID="unit-card">
        <LateField
          label="What it is called: make and model, or what it is"
          testID="unit-name"
          value={diagram.name}
          take={named('name', 'what it is called')}
        />
        <LateField
          label="What kind of unit: electric dryer, wall oven"
          testID="unit-kind"
          value={diagram.kind}
          take={named('kind', 'what kind of unit it is')}
        />
        {diagram.derivedFrom && (
          <Type size="small" testID="derived-from">
            Made from “{diagram.derivedFrom.name}”, version {diagram.derivedFrom.version}.
          </Type>
        )}
      </Card>
      {differs && (
        <Differences title={`What differs from ${differs.says}`} from={differs.from} to={diagram} />
      )}
      {stored && stored.version > 1 && <Versions diagram={diagram} newest={stored.version} />}
      <DiagramFiles
        diagram={diagram}
        drawingKey={keyOf(diagram)}
        version={stored?.body === diagram ? stored.version : undefined}
      />
      {stored && <ModelsCard diagram={diagram.id} />}
      {stored?.body !== diagram && <Discard diagram={diagram} stored={stored !== undefined} />}
      {stored && <Withdraw diagram={diagram} version={stored.version} />}
    </>
  );
}

/** Out of the list; calls that were worked with it keep it. */
function Withdraw({ diagram, version }: { diagram: Diagram; version: number }) {
  const dispatch = useAppDispatch();
  const who = useWho();
  const [failed, setFailed] = useState<string>();
  const withdraw = async (): Promise<void> => {
    setFailed(undefined);
    try {
      await withdrawDiagram(who, crypto.randomUUID(), { diagram: diagram.id, version });
      await throwDraftAway(who, diagram.id);
      await dispatch(loadDiagrams());
      router.navigate('/diagrams');
    } catch (error) {
      setFailed(sayWhyNot(error, 'The server is away. Nothing was changed.').join(' '));
    }
  };
  return (
    <AskTwice
      means="Out of the list it is found no more; calls that were worked with it keep it, and a file of it brings it back."
      label="Take it out of the list"
      yes="Yes, out of the list"
      testID="withdraw"
      failed={failed}
      sure={() => void withdraw()}
    />
  );
}

/** What is on this device alone, and gone then. */
function Discard({ diagram, stored }: { diagram: Diagram; stored: boolean }) {
  const who = useWho();
  const discard = async (): Promise<void> => {
    await throwDraftAway(who, diagram.id);
    router.navigate('/diagrams');
  };
  return (
    <AskTwice
      means={
        stored
          ? 'What was changed since it was stored is on this device alone.'
          : 'This draft is on this device alone.'
      }
      label={stored ? 'Throw the changes away' : 'Throw the draft away'}
      yes="Yes, throw it away"
      testID="discard"
      sure={() => void discard()}
    />
  );
}

function Differences({ title, from, to }: { title: string; from: Diagram; to: Diagram }) {
  const said = sayDifferences(from, to);
  return (
    <Card testID="differences">
      <Type weight="heavy" role="heading" aria-level={2}>
        {title}
      </Type>
      {said.length === 0 && <Type>Nothing.</Type>}
      {said.map((each) => (
        <Type key={each}>{each}</Type>
      ))}
    </Card>
  );
}

/** Any two versions that are stored, and what differs between them. */
function Versions({ diagram, newest }: { diagram: Diagram; newest: number }) {
  const who = useWho();
  const [older, setOlder] = useState(newest - 1);
  const [newer, setNewer] = useState(newest);
  const [pair, setPair] = useState<{ from: Diagram; to: Diagram; title: string }>();
  const [failed, setFailed] = useState(false);
  const versions = Array.from({ length: Math.min(newest, MOST_OFFERED) }, (_, i) => newest - i);
  const compare = (): void => {
    const read = (version: number) => diagramOnDevice(who, diagram.id, version);
    setFailed(false);
    Promise.all([read(older), read(newer)]).then(
      ([from, to]) =>
        setPair({ from, to, title: `What version ${newer} has otherwise than version ${older}` }),
      () => setFailed(true),
    );
  };
  const choice = (label: string, name: string, chosen: number, choose: (to: number) => void) => (
    <OneOf
      label={label}
      titled
      choices={versions.map((each) => ({
        id: String(each),
        label: String(each),
        testID: `${name}-${each}`,
      }))}
      chosen={String(chosen)}
      choose={(id) => choose(Number(id))}
    />
  );
  return (
    <Card testID="versions">
      {choice('A version', 'older', older, setOlder)}
      {choice('beside version', 'newer', newer, setNewer)}
      <Button icon="shuffle" label="What differs" testID="compare" onPress={compare} />
      {failed && (
        <Type weight="strong" tone="bad" testID="compare-failed" role="alert">
          These versions are not on this device, and the server is away.
        </Type>
      )}
      {pair && <Differences {...pair} />}
    </Card>
  );
}

/** Versions that are offered, the newest first. */
const MOST_OFFERED = 12;
