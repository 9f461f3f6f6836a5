import Feather from '@expo/vector-icons/Feather';
import { router, useLocalSearchParams } from 'expo-router';
import { useEffect } from 'react';
import { Controller, useForm, useWatch, type FieldErrors, type Resolver } from 'react-hook-form';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { NewCallDto } from '../../../contract/call';
import { readDto } from '../../../contract/readDto';
import { Button } from '../../ui/Button';
import { Field } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { Screen } from '../../ui/Screen';
import { Type } from '../../ui/Type';
import { loadDiagram, loadDiagrams, diagramKey } from '../../state/diagrams';
import { useAppDispatch, useAppSelector } from '../../state/hooks';
import { enqueue } from '../../sync/outbox';
import { radius, space, touch, useTheme } from '../../theme/theme';
import { usePrepared } from '../../workers/usePrepared';

interface Form {
  complaint: string;
  make: string;
  model: string;
  place: string;
  customer: string;
  /** `id/version` of the diagram. */
  diagram: string;
}

const FIELDS: { name: keyof Omit<Form, 'diagram'>; label: string; multiline?: boolean }[] = [
  { name: 'complaint', label: 'What does it do, or not do, and when?', multiline: true },
  { name: 'make', label: 'Make' },
  { name: 'model', label: 'Model' },
  { name: 'place', label: 'Where does it stand?' },
  { name: 'customer', label: 'Customer (may stay empty)' },
];

function toCall(form: Form): NewCallDto {
  const [diagramId = '', version = ''] = form.diagram.split('/');
  const { make, model, place, customer } = form;
  return {
    appliance: {
      id: crypto.randomUUID(),
      make: make.trim(),
      model: model.trim(),
      place: place.trim(),
      ...(customer.trim() && { customer: customer.trim() }),
    },
    diagramId,
    diagramVersion: Number(version) || 1,
    complaint: form.complaint.trim(),
    phoneAt: new Date().toISOString(),
  };
}

/** The same rules as the server's: one place says what a call must have. */
const resolver: Resolver<Form> = (form) => {
  const read = readDto(NewCallDto, toCall(form));
  if (read.ok) return { values: form, errors: {} };
  const errors: FieldErrors<Form> = {};
  for (const { path, message } of read.error) {
    const last = path.split('/').at(-1) ?? '';
    const name = last.startsWith('diagram') ? 'diagram' : (last as keyof Form);
    errors[name] ??= { type: 'validate', message };
  }
  return { values: {}, errors };
};

/** A new call: five answers and the diagram. It is kept on the device at once. */
export function NewCallScreen() {
  const dispatch = useAppDispatch();
  const { diagram = '' } = useLocalSearchParams<{ diagram?: string }>();
  const { list: diagrams, listState, bodies } = useAppSelector((state) => state.diagrams);
  const { control, handleSubmit, formState } = useForm<Form>({
    resolver,
    defaultValues: { complaint: '', make: '', model: '', place: '', customer: '', diagram },
  });
  useEffect(() => {
    void dispatch(loadDiagrams());
  }, [dispatch]);
  const chosen = useWatch({ control, name: 'diagram' });
  useEffect(() => {
    const [id, version] = chosen.split('/');
    if (id && version) void dispatch(loadDiagram({ id, version: Number(version) }));
  }, [dispatch, chosen]);
  usePrepared(chosen, bodies[chosen]);

  const open = handleSubmit(async (form) => {
    const id = crypto.randomUUID();
    await dispatch(enqueue({ to: 'calls', id, body: toCall(form) })).unwrap();
    router.replace(`/call/${id}`);
  });
  return (
    <Screen title="New call" back="/">
      <ScrollView contentContainerStyle={styles.inner}>
        {FIELDS.map(({ name, label, multiline }) => (
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
        ))}
        <Type weight="heavy" role="heading" aria-level={2}>
          Which diagram fits the unit?
        </Type>
        {listState === 'failed' ? (
          <Notice
            icon="wifi-off"
            title="The diagrams could not be read"
            text="This device has not seen them yet and the server is away. What you wrote stays here."
            testID="diagrams-failed"
          >
            <Button
              label="Try again"
              icon="refresh-cw"
              testID="diagrams-retry"
              onPress={() => void dispatch(loadDiagrams())}
            />
          </Notice>
        ) : diagrams.length === 0 ? (
          <Notice icon="loader" title="Reading the diagrams" testID="diagrams-loading" />
        ) : null}
        <Controller
          control={control}
          name="diagram"
          render={({ field }) => (
            <View role="radiogroup" style={styles.list}>
              {diagrams.map((each) => {
                const key = diagramKey(each.id, each.version);
                return (
                  <Choice
                    key={key}
                    title={each.name}
                    under={`${each.kind}, ${each.switches} ${each.switches === 1 ? 'switch' : 'switches'}`}
                    chosen={field.value === key}
                    testID={`diagram-${each.id}`}
                    onPress={() => field.onChange(key)}
                  />
                );
              })}
            </View>
          )}
        />
        {formState.errors.diagram && (
          <Type weight="strong" tone="bad" testID="field-diagram-fault" role="alert">
            {formState.errors.diagram.message}
          </Type>
        )}
      </ScrollView>
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

function Choice({
  title,
  under,
  chosen,
  testID,
  onPress,
}: {
  title: string;
  under: string;
  chosen: boolean;
  testID: string;
  onPress: () => void;
}) {
  const palette = useTheme();
  return (
    <Pressable
      role="radio"
      aria-checked={chosen}
      accessibilityLabel={title}
      testID={testID}
      onPress={onPress}
      style={[
        styles.choice,
        {
          backgroundColor: palette.card,
          borderColor: chosen ? palette.act : palette.line,
          borderWidth: chosen ? 3 : 1,
        },
      ]}
    >
      <Feather
        name={chosen ? 'check-circle' : 'circle'}
        size={24}
        color={chosen ? palette.act : palette.soft}
      />
      <View style={styles.grow}>
        <Type weight="strong">{title}</Type>
        <Type size="small" tone="soft">
          {under}
        </Type>
      </View>
    </Pressable>
  );
}

const styles = StyleSheet.create({
  inner: { padding: space.m, gap: space.m, width: '100%', maxWidth: 640, alignSelf: 'center' },
  list: { gap: space.s },
  choice: {
    flexDirection: 'row',
    alignItems: 'center',
    gap: space.m,
    borderRadius: radius.medium,
    padding: space.m,
    minHeight: touch.row,
  },
  grow: { flex: 1 },
  foot: { padding: space.m, width: '100%', maxWidth: 640, alignSelf: 'center' },
});
