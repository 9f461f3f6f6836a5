import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { ScrollView, StyleSheet } from 'react-native';
import type { CallDetail } from '../../../contract/call';
import { causesLooked, protectorsTouched } from '../../../core/call/causesAsked';
import type { Found, OptionKind } from '../../../core/call/decision';
import { lastOf } from '../../../core/call/takenBack';
import { decided, optionsFor, type Figures, type RepairOption } from '../../../core/decide/options';
import { sayChance } from '../../../core/describe/chance';
import { sayLogEntry } from '../../../core/describe/logEntry';
import { nameOf } from '../../../core/describe/unit';
import { useAppSelector } from '../../state/hooks';
import { useLog } from '../../state/useLog';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { NumberField } from '../../ui/NumberField';
import { PhotosOf } from '../photos/PhotoRow';
import { PhotoButton } from '../../ui/PhotoButton';
import { OpenedCall } from '../../ui/OpenedCall';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { CauseCard } from '../ledger/CauseCard';
import { LedgerCount } from '../ledger/LedgerCount';
import { ChoiceCard } from './ChoiceCard';
import { FitCard } from './FitCard';
import { FoundCard } from './FoundCard';
import { OptionCard } from './OptionCard';
import { TermsCard } from './TermsCard';

/** What is done about what was found: the options with what they come to, and the customer's choice. */
export function DecideScreen({ callId }: { callId: string }) {
  return (
    <OpenedCall callId={callId} title="Decide">
      {(call) => <Opened call={call} />}
    </OpenedCall>
  );
}

function Opened({ call }: { call: CallDetail }) {
  const found = lastOf(call.entries, 'found')?.body;
  const [saying, setSaying] = useState(false);
  return (
    <Screen
      title="Decide"
      under={`${call.appliance.make} ${call.appliance.model} · ${call.complaint}`}
      back={`/call/${call.id}`}
      actions={<LedgerCount call={call} />}
    >
      <ScrollView contentContainerStyle={styles.inner} testID="decide">
        {!found || saying ? (
          <FoundCard
            call={call}
            {...(found && { cancel: () => setSaying(false) })}
            done={() => setSaying(false)}
          />
        ) : (
          <Deciding
            key={sayLogEntry(call.diagram, { kind: 'found', body: found })}
            call={call}
            found={found}
            other={() => setSaying(true)}
          />
        )}
      </ScrollView>
    </Screen>
  );
}

function Deciding({ call, found, other }: { call: CallDetail; found: Found; other: () => void }) {
  const log = useLog(call.id);
  const { diagram, entries } = call;
  const terms = useAppSelector((state) => state.settings.terms);
  const [typed, setTyped] = useState<Partial<Record<OptionKind, Figures>>>({});
  const [newUnit, setNewUnit] = useState<number>();
  const [chosen, setChosen] = useState<OptionKind>();
  const options = useMemo(
    () =>
      optionsFor({
        diagram,
        found,
        entries,
        terms,
        typed,
        ...(newUnit !== undefined && { newUnit }),
      }),
    [diagram, found, entries, terms, typed, newUnit],
  );
  const part = diagram.parts.find(({ id }) => id === found.part);
  const looked = part && causesLooked(part, entries);
  const protectors = protectorsTouched(diagram, entries);
  const option = options.find(({ kind, against }) => kind === chosen && !against.length);
  const take = (taken: RepairOption, choice: string, declined: string[]): void => {
    log('decision', decided(found, taken, choice, declined));
    router.navigate(`/call/${call.id}`);
  };
  return (
    <>
      <Card testID="found">
        <Type size="small" tone="soft">
          Found
        </Type>
        <Type size="title" weight="heavy" role="heading" aria-level={2}>
          {nameOf(diagram, found.part)}
        </Type>
        <Type>
          {found.part === undefined ? 'No part is bought.' : found.says}
          {found.by === 'person' ? ' · by your own word' : ` · ${sayChance(found.chance)}`}
        </Type>
        {part && (
          <>
            <PhotosOf callId={call.id} of={part.id} />
            <PhotoButton callId={call.id} shows={part.name} of={part.id} label="Photo of it" />
          </>
        )}
        <Button icon="edit-2" label="It is something else" testID="found-other" onPress={other} />
      </Card>
      {protectors.length > 0 && (
        <Card ground="badGround" edge="bad" role="alert" testID="second-protector">
          <Type weight="strong" tone="bad">
            A second protector in this unit: what opened the first is still there.
          </Type>
        </Card>
      )}
      {part && looked && looked.causes.length > 0 && (
        <CauseCard call={call} asked={{ part: part.id, ...looked }} />
      )}
      {option ? (
        <ChoiceCard
          diagram={diagram}
          option={option}
          options={options}
          take={take}
          cancel={() => setChosen(undefined)}
        />
      ) : (
        options.map((each, i) => (
          <OptionCard
            key={each.kind}
            diagram={diagram}
            option={each}
            first={i === 0 && each.against.length === 0}
            type={(figures) =>
              setTyped({ ...typed, [each.kind]: { ...typed[each.kind], ...figures } })
            }
            choose={() => setChosen(each.kind)}
            prove={() => router.navigate(`/call/${call.id}/${found.part}?of=bench`)}
          />
        ))
      )}
      {part && <FitCard call={call} part={part} />}
      {found.part !== undefined && !option && (
        <Card testID="new-unit">
          <NumberField
            label="What a new unit would cost the customer"
            testID="new-unit-price"
            value={newUnit}
            change={setNewUnit}
          />
          <Type size="small" tone="soft">
            With it, “not worth it” is weighed beside the others.
          </Type>
        </Card>
      )}
      <TermsCard />
    </>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 820, alignSelf: 'center' },
});
