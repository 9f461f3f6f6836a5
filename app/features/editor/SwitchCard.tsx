import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { addContact, addPosition, moveBy, removeContact } from '../../../core/draft/editTable';
import type { Diagram, SwitchPart } from '../../../core/diagram/diagram';
import { pairsIn } from '../../../core/draft/findPlace';
import { sayKnown } from '../../../core/describe/diagramDifference';
import { Button } from '../../ui/Button';
import { Chip } from '../../ui/Chip';
import { Field } from '../../ui/Field';
import { OneOf } from '../../ui/OneOf';
import { saveTable } from '../../ui/saveTable';
import { Type } from '../../ui/Type';
import { space } from '../../theme/theme';
import { ControlForm } from './ControlForm';
import { PasteTable } from './PasteTable';
import { TableGrid } from './TableGrid';
import { TableFromPhoto } from './TableFromPhoto';
import { TwinTable } from './TwinTable';

interface Props {
  diagram: Diagram;
  part: SwitchPart;
  change: (to: Diagram) => void;
}

/** What moves a switch, and which of its contacts are closed in each position. */
export function SwitchCard({ diagram, part, change }: Props) {
  const [more, setMore] = useState<
    'position' | 'contact' | 'control' | 'less' | 'paste' | 'photo' | 'twin'
  >();
  // These take the place of the buttons, each with its own way back.
  const isForm = more === 'paste' || more === 'photo' || more === 'twin';
  const actuator = diagram.actuators.find(({ id }) => id === part.actuator);
  return (
    <>
      <View style={styles.row}>
        <Type weight="strong">Contact table</Type>
        <Chip
          label={sayKnown(part.table.known)}
          tone={part.table.known === 'guessed' ? 'warn' : 'good'}
        />
      </View>
      <TableGrid diagram={diagram} part={part} change={change} />
      {!isForm && (
        <View style={styles.row}>
          {actuator && actuator.kind !== 'quantity' && actuator.kind !== 'momentary' && (
            <Button
              icon="plus"
              label="A position"
              testID="add-position"
              onPress={() => setMore('position')}
            />
          )}
          <Button
            icon="plus"
            label="A contact"
            testID="add-contact"
            onPress={() => setMore('contact')}
          />
          <Button
            icon="clipboard"
            label="Paste it"
            testID="paste-table"
            onPress={() => setMore('paste')}
          />
          <Button
            icon="camera"
            label="From a photo"
            testID="photo-table"
            onPress={() => setMore('photo')}
          />
          <Button
            icon="download"
            label="CSV"
            testID={`csv-${part.id}`}
            onPress={() => void saveTable(diagram, part)}
          />
          <Button
            icon="copy"
            label="From a good one"
            testID="twin-table"
            onPress={() => setMore('twin')}
          />
          {actuator && (
            <Button
              icon="sliders"
              label="Its control"
              testID="control"
              selected={more === 'control'}
              onPress={() => setMore(more === 'control' ? undefined : 'control')}
            />
          )}
          {part.contacts.length > 1 && (
            <Button
              icon="trash-2"
              label="Less"
              hint="Take a contact out"
              testID="less"
              selected={more === 'less'}
              onPress={() => setMore(more === 'less' ? undefined : 'less')}
            />
          )}
        </View>
      )}
      {more === 'paste' && (
        <PasteTable diagram={diagram} part={part} change={change} done={() => setMore(undefined)} />
      )}
      {more === 'photo' && (
        <TableFromPhoto
          diagram={diagram}
          part={part}
          change={change}
          done={() => setMore(undefined)}
        />
      )}
      {more === 'twin' && (
        <TwinTable diagram={diagram} part={part} change={change} done={() => setMore(undefined)} />
      )}
      {more === 'control' && actuator && (
        <ControlForm diagram={diagram} actuator={actuator} change={change} />
      )}
      {more === 'less' && (
        <View style={styles.row}>
          {part.contacts.map(({ id, between }) => (
            <Button
              key={id}
              icon="x"
              look="bare"
              label={between.join('–')}
              hint={`Take the contact ${between.join(' to ')} out`}
              testID={`remove-contact-${id}`}
              onPress={() => change(removeContact(diagram, part.id, id))}
            />
          ))}
        </View>
      )}
      {more === 'position' && (
        <Add
          label={`Another position of ${actuator?.name ?? 'it'}, as it is said: “timer at COOL DOWN”`}
          testID="position-name"
          take={(text) => {
            if (!text) return 'Say which position it is.';
            change(addPosition(diagram, part.actuator, text));
            return undefined;
          }}
          done={() => setMore(undefined)}
        />
      )}
      {more === 'contact' && (
        <Add
          label="Between which terminals: A-C"
          testID="contact-ends"
          take={(text) => {
            const [pair] = pairsIn(text);
            if (!pair || pair[0] === pair[1] || !pair.every((each) => /^\w{1,40}$/.test(each)))
              return 'Two terminals with a hyphen between them: A-C.';
            change(addContact(diagram, part.id, pair));
            return undefined;
          }}
          done={() => setMore(undefined)}
        />
      )}
      <OneOf
        label="Moved by"
        titled
        choices={diagram.actuators.map(({ id, name }) => ({
          id,
          label: name,
          testID: `moved-by-${id}`,
        }))}
        chosen={part.actuator}
        choose={(to) => change(moveBy(diagram, part.id, to))}
      />
    </>
  );
}

/** One thing more, in words; the form stays for the next one until it is closed. */
function Add({
  label,
  testID,
  take,
  done,
}: {
  label: string;
  testID: string;
  take: (text: string) => string | undefined;
  done: () => void;
}) {
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string>();
  const add = (): void => {
    const wrong = take(text.trim());
    setFault(wrong);
    if (wrong === undefined) setText('');
  };
  return (
    <>
      <Field
        label={label}
        testID={testID}
        value={text}
        onChangeText={setText}
        onSubmitEditing={add}
        {...(fault !== undefined && { fault })}
      />
      <View style={styles.row}>
        <Button look="act" icon="plus" label="Add it" testID={`${testID}-add`} onPress={add} />
        <Button icon="x" label="Close" testID={`${testID}-close`} onPress={done} />
      </View>
    </>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s, alignItems: 'center' },
});
