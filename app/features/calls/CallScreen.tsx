import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { PLATE } from '../../../core/call/plate';
import type { Entry } from '../../../contract/entry';
import { readingsOf } from '../../../core/call/log';
import type { Diagram, Part, SwitchPart } from '../../../core/diagram/diagram';
import { figuresOf, figuresOfSupply } from '../../../core/describe/partFigures';
import { switches } from '../../../core/diagram/terminal';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Chip } from '../../ui/Chip';
import { lastPlaceIn } from '../../ui/lastPlace';
import { OpenedCall } from '../../ui/OpenedCall';
import { RowLink } from '../../ui/RowLink';
import type { KeyHint } from '../../ui/KeysCard';
import { Screen } from '../../ui/Screen';
import { useKeys } from '../../ui/useKeys';
import { Type } from '../../ui/Type';
import { diagramKey } from '../../state/diagrams';
import { useFoundBefore } from '../../state/useFoundBefore';
import { useSame } from '../../state/useSame';
import { space, WIDE_FROM } from '../../theme/theme';
import { usePrepared } from '../../workers/usePrepared';
import { BesideList } from './BesideList';
import { LIST_KEYS } from './CallsList';
import { LedgerCount } from '../ledger/LedgerCount';
import { PhotoRow, photosOf } from '../photos/PhotoRow';
import { usePhotos, type Photo } from '../photos/usePhotos';
import { CorrectCall } from './CorrectCall';
import { CallCourse } from './CallCourse';
import { FiguresLinks } from './FiguresLinks';
import { PhotosCard } from './PhotosCard';
import { PutRightCard } from './PutRightCard';
import { RepairCard } from './RepairCard';
import { SeenBeforeCard } from './SeenBeforeCard';
import { ShopSharesCard } from './ShopSharesCard';
import { switchStanding } from './switchStanding';
import { WorkedByCard } from './WorkedByCard';

/** One call as a whole: the unit, its complaint, how far it has come, and how each switch stands. */
export function CallScreen({ callId }: { callId: string }) {
  return (
    <OpenedCall callId={callId} title="Call" back="/">
      {(call) => <Opened call={call} />}
    </OpenedCall>
  );
}

const KEYS: readonly KeyHint[] = [
  ['W', 'from complaint to part'],
  ['C', 'corrects what is written'],
  ['Esc', 'leaves that'],
];

function Opened({ call }: { call: CallDetail }) {
  const { appliance, diagram, diagramId, diagramVersion } = call;
  // While the call is read, the worker gets ready for its diagram: the first advice is there at once.
  usePrepared(diagramKey(diagramId, diagramVersion), diagram, useFoundBefore(call));
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const [correcting, setCorrecting] = useState(false);
  useKeys({
    w: () => router.navigate(`/call/${call.id}/work`),
    c: () => setCorrecting(true),
    ...(correcting && { Escape: () => setCorrecting(false) }),
  });
  const photos = usePhotos(call.id);
  const place = lastPlaceIn(call.id);
  const others = diagram.parts.filter((part) => part.kind !== 'switch');
  const body = (
    <ScrollView contentContainerStyle={styles.inner} testID="call">
      <Card>
        <Type size="lead" weight="heavy">
          {call.complaint}
        </Type>
        <Type tone="soft">
          {appliance.place}
          {appliance.customer ? ` · ${appliance.customer}` : ''}
        </Type>
        <PhotoRow callId={call.id} photos={photosOf(photos, PLATE)} />
        <Chip
          label={call.stage === 'done' ? 'Done' : 'Open'}
          tone={call.stage === 'done' ? 'good' : 'warn'}
          icon={call.stage === 'done' ? 'check' : 'tool'}
          testID="stage"
        />
        <Type size="small" tone="soft">
          Diagram: {diagram.name}, version {call.diagramVersion}
        </Type>
      </Card>
      {correcting ? (
        <CorrectCall call={call} done={() => setCorrecting(false)} />
      ) : (
        <Button
          icon="edit-2"
          label="Correct what is written here"
          testID="correct"
          shortcut="C"
          onPress={() => setCorrecting(true)}
        />
      )}
      {place && (
        <Button
          icon="corner-up-left"
          label={`Back to: ${place.title}`}
          testID="last-place"
          onPress={() => router.navigate(place.href)}
        />
      )}
      <CallCourse call={call} />
      <WorkedByCard call={call} />
      <PutRightCard call={call} />
      <RepairCard call={call} />
      <PhotosCard call={call} photos={photos} />
      <SeenBeforeCard call={call} />
      <ShopSharesCard call={call} />
      <Type weight="heavy" role="heading" aria-level={2}>
        Prove a switch at once
      </Type>
      {switches(diagram).map((part) => (
        <View key={part.id} style={styles.part}>
          <SwitchRow callId={call.id} diagram={diagram} entries={call.entries} part={part} />
          <PhotoRow callId={call.id} photos={photosOf(photos, part.id)} />
          <FiguresLinks
            callId={call.id}
            of={part.id}
            figures={figuresOf(diagram, part).filter(
              // What a bad contact makes is asked once it was read.
              ({ calculator }) => calculator !== 'contact-heat' || isRead(call.entries, part.id),
            )}
          />
        </View>
      ))}
      <Card>
        <Type weight="heavy" role="heading" aria-level={2}>
          What feeds it
        </Type>
        {diagram.supplies.map((supply) => (
          <View key={supply.id} style={styles.part}>
            <Type weight="strong">{supply.name}</Type>
            <FiguresLinks callId={call.id} of={supply.id} figures={figuresOfSupply(supply)} />
          </View>
        ))}
      </Card>
      <Card>
        <Type weight="heavy" role="heading" aria-level={2}>
          Other parts of this unit
        </Type>
        {others.map((part) => (
          <OtherPart key={part.id} call={call} part={part} photos={photosOf(photos, part.id)} />
        ))}
      </Card>
    </ScrollView>
  );
  return (
    <Screen
      title={`${appliance.make} ${appliance.model}`}
      under={appliance.place}
      back="/"
      actions={<LedgerCount call={call} />}
      keys={wide ? [...KEYS, ...LIST_KEYS] : KEYS}
    >
      {wide ? <BesideList opened={call.id}>{body}</BesideList> : body}
    </Screen>
  );
}

/** A switch with how it stands, which is worked out anew only when its own readings have changed. */
function SwitchRow({
  callId,
  diagram,
  entries,
  part,
}: {
  callId: string;
  diagram: Diagram;
  entries: Entry[];
  part: SwitchPart;
}) {
  const readings = useMemo(
    () => readingsOf(diagram, entries, part.id).filter((each) => !each.doubted),
    [diagram, entries, part],
  );
  const own = useSame(readings, readings.map((each) => each.id).join());
  const standing = useMemo(() => switchStanding(diagram, part, own), [diagram, part, own]);
  return (
    <RowLink
      href={`/call/${callId}/${part.id}`}
      name={`${part.name}: ${standing.label}`}
      testID={`switch-${part.id}`}
    >
      <Type size="lead" weight="strong">
        {part.name}
      </Type>
      <Type size="small" tone="soft">
        {part.role}
      </Type>
      {part.aliases && (
        <Type size="small" tone="soft">
          {part.aliases
            .map(({ word, trap }) => `also “${word}”${trap ? ` (careful: ${trap})` : ''}`)
            .join(', ')}
        </Type>
      )}
      <Chip {...standing} testID={`standing-${part.id}`} />
    </RowLink>
  );
}

const isRead = (entries: readonly Entry[], part: string): boolean =>
  entries.some(({ kind, body }) => kind === 'reading' && body.part === part);

function OtherPart({
  call,
  part,
  photos,
}: {
  call: CallDetail;
  part: Part;
  photos: readonly Photo[];
}) {
  return (
    <View style={styles.part}>
      <Type weight="strong">{part.name}</Type>
      <Type size="small" tone="soft">
        {part.role}
      </Type>
      <PhotoRow callId={call.id} photos={photos} />
      <FiguresLinks callId={call.id} of={part.id} figures={figuresOf(call.diagram, part)} />
    </View>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
  part: { paddingVertical: space.xs, gap: space.xs },
});
