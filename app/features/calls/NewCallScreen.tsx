import { router, useLocalSearchParams } from 'expo-router';
import { useEffect, useState, type ReactNode } from 'react';
import {
  Controller,
  useForm,
  useWatch,
  type FieldErrors,
  type Resolver,
  type ResolverResult,
} from 'react-hook-form';
import { ScrollView, StyleSheet, View, useWindowDimensions } from 'react-native';
import type { FoundComplaint } from '../../search/complaintSearch';
import type { NewCallDto } from '../../../contract/call';
import type { NewEntry } from '../../../contract/entry';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { FormFaults } from '../../ui/FormFaults';
import { Screen } from '../../ui/Screen';
import { ComplaintFits, same } from '../../ui/ComplaintFits';
import { Type } from '../../ui/Type';
import { loadDiagram, loadDiagrams, ofDiagramKey } from '../../state/diagrams';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { enqueue } from '../../sync/outbox';
import { space, WIDE_FROM } from '../../theme/theme';
import { DrawnUnit } from '../diagrams/DrawnUnit';
import { DiagramChoice } from './DiagramChoice';
import { ModelSheetCard } from './ModelSheetCard';
import { useTold } from '../../workers/useTold';
import { usePrepared } from '../../workers/usePrepared';
import { bringReaders, NOT_WHOLE } from '../../sync/readers';

interface Form {
  complaint: string;
  make: string;
  model: string;
  place: string;
  customer: string;
  /** `id/version` of the diagram. */
  diagram: string;
}

interface Asked {
  name: keyof Omit<Form, 'diagram'>;
  label: string;
  multiline?: boolean;
}

/** What may be missing or wrong, in the order of the form, in a word, with the field that it is given in. */
const IN_SHORT: { of: keyof Form; name: string; field: string }[] = [
  { of: 'complaint', name: 'Complaint', field: 'field-complaint' },
  { of: 'diagram', name: 'Diagram', field: 'diagram-search' },
  { of: 'make', name: 'Make', field: 'field-make' },
  { of: 'model', name: 'Model', field: 'field-model' },
  { of: 'place', name: 'Place', field: 'field-place' },
  { of: 'customer', name: 'Customer', field: 'field-customer' },
];

const COMPLAINT: Asked = {
  name: 'complaint',
  label: 'What does it do, or not do, and when?',
  multiline: true,
};
const FIELDS: Asked[] = [
  { name: 'make', label: 'Make' },
  { name: 'model', label: 'Model' },
  { name: 'place', label: 'Where does it stand?' },
  { name: 'customer', label: 'Customer (may stay empty)' },
];

function toCall(form: Form): NewCallDto {
  const diagram = ofDiagramKey(form.diagram);
  const { make, model, place, customer } = form;
  return {
    appliance: {
      id: crypto.randomUUID(),
      make: make.trim(),
      model: model.trim(),
      place: place.trim(),
      ...(customer.trim() && { customer: customer.trim() }),
    },
    diagramId: diagram?.id ?? '',
    diagramVersion: diagram?.version || 1,
    complaint: form.complaint.trim(),
    phoneAt: new Date().toISOString(),
  };
}

/** What was tapped as told by the customer. @param later milliseconds after now, which keep the order of several */
const toStatement = (
  callId: string,
  { steps, subject, outcome }: FoundComplaint,
  later: number,
): NewEntry => ({
  callId,
  kind: 'statement',
  phoneAt: new Date(Date.now() + later).toISOString(),
  body: { source: 'told', steps, subject, outcome },
});

/** The same rules as the server's: one place says what a call must have. */
const resolver: Resolver<Form> = async (form): Promise<ResolverResult<Form>> => {
  const readers = await bringReaders().catch(() => undefined);
  if (!readers) return { values: {}, errors: { complaint: { type: 'load', message: NOT_WHOLE } } };
  const read = readers.readDto(readers.NewCallDto, toCall(form));
  if (read.ok) return { values: form, errors: {} };
  const errors: FieldErrors<Form> = {};
  for (const { path, message } of read.error) {
    const last = path.split('/').at(-1) ?? '';
    const name = last.startsWith('diagram') ? 'diagram' : (last as keyof Form);
    errors[name] ??= { type: 'validate', message };
  }
  return { values: {}, errors };
};

/** Room for the drawing beside the form. */
const DRAWN = 360;

/** A new call: five answers and the diagram. It is kept on the device at once. */
export function NewCallScreen() {
  const dispatch = useAppDispatch();
  const { diagram = '' } = useLocalSearchParams<{ diagram?: string }>();
  const { bodies } = useAppSelector((state) => state.diagrams);
  const { control, handleSubmit, formState, setValue } = useForm<Form>({
    resolver,
    defaultValues: { complaint: '', make: '', model: '', place: '', customer: '', diagram },
  });
  useEffect(() => {
    void dispatch(loadDiagrams());
  }, [dispatch]);
  const wide = useWindowDimensions().width >= WIDE_FROM;
  const chosen = useWatch({ control, name: 'diagram' });
  useEffect(() => {
    const diagram = ofDiagramKey(chosen);
    if (diagram) void dispatch(loadDiagram(diagram));
  }, [dispatch, chosen]);
  const body = bodies[chosen];
  // What can be told is asked for first: it is wanted at once, the advice not before the call is open.
  const search = useTold(chosen, body)?.search;
  usePrepared(chosen, body);
  const [typed, make, model] = useWatch({ control, name: ['complaint', 'make', 'model'] });
  const [told, setTold] = useState<{ of: string; list: FoundComplaint[] }>();
  // What was told of one diagram says nothing of another.
  const list = told?.of === chosen ? told.list : [];
  const tap = (each: FoundComplaint): void => {
    const others = list.filter((other) => !same(each, other));
    setTold({ of: chosen, list: others.length < list.length ? others : [...list, each] });
  };

  const open = handleSubmit(async (form) => {
    const id = crypto.randomUUID();
    await dispatch(enqueue({ to: 'calls', id, body: toCall(form) })).unwrap();
    for (const [i, each] of list.entries())
      await dispatch(
        enqueue({ to: 'entries', id: crypto.randomUUID(), body: toStatement(id, each, i) }),
      ).unwrap();
    router.replace(`/call/${id}`);
  });
  const asked = ({ name, label, multiline }: Asked): ReactNode => (
    <Controller
      key={name}
      control={control}
      name={name}
      render={({ field }) => (
        <Field
          label={label}
          testID={`field-${name}`}
          value={field.value}
          onChangeText={field.onChange}
          onBlur={field.onBlur}
          multiline={multiline}
          fault={formState.errors[name]?.message}
        />
      )}
    />
  );
  const unit = (
    <>
      <Controller
        control={control}
        name="diagram"
        render={({ field }) => (
          <DiagramChoice complaint={typed} chosen={field.value} choose={field.onChange} />
        )}
      />
      {formState.errors.diagram && (
        <Type weight="strong" tone="bad" testID="field-diagram-fault" role="alert">
          {formState.errors.diagram.message}
        </Type>
      )}
      <ComplaintFits search={search} text={typed} told={list} press={tap} />
    </>
  );
  const ofModel = (
    <ModelSheetCard
      make={make}
      model={model}
      chosen={chosen}
      choose={(to) => setValue('diagram', to)}
    />
  );
  const faults = IN_SHORT.flatMap(({ of, name, field }) => {
    const says = formState.errors[of]?.message;
    return says === undefined ? [] : [{ name, says, field }];
  });
  return (
    <Screen title="New call" back="/">
      <FormFaults faults={faults} handedIn={formState.submitCount} />
      {wide ? (
        <View style={styles.panes}>
          <ScrollView contentContainerStyle={styles.inner}>
            {asked(COMPLAINT)}
            {FIELDS.map(asked)}
            {ofModel}
          </ScrollView>
          <ScrollView contentContainerStyle={styles.inner}>
            {unit}
            {body && <DrawnUnit diagram={body} drawingKey={chosen} height={DRAWN} />}
          </ScrollView>
        </View>
      ) : (
        <ScrollView contentContainerStyle={styles.inner}>
          {asked(COMPLAINT)}
          {unit}
          {FIELDS.map(asked)}
          {ofModel}
        </ScrollView>
      )}
      <View style={styles.foot}>
        <Button
          look="act"
          icon="check"
          label="Open the call"
          testID="open-call"
          onPress={() => void open()}
        />
      </View>
    </Screen>
  );
}

const styles = StyleSheet.create({
  panes: { flex: 1, flexDirection: 'row' },
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 640, alignSelf: 'center' },
  foot: { padding: space.m, width: '100%', maxWidth: 640, alignSelf: 'center' },
});
