import { useState } from 'react';
import { sheetsOf } from '../../../core/diagram/modelPattern';
import { diagramKey } from '../../state/diagrams';
import { useAppSelector, useWho } from '../../state/hooks';
import { sayModelSheet } from '../../sync/api';
import { useModelSheets } from '../../state/useModelSheets';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { sayWhyNot } from '../../ui/sayWhyNot';
import { Type } from '../../ui/Type';

interface Props {
  make: string;
  model: string;
  /** `id/version` of the diagram that is chosen. */
  chosen: string;
  choose: (diagram: string) => void;
}

/** Which sheet the model that is typed uses, as the shop has said before; or what it says from now on. */
export function ModelSheetCard({ make, model, chosen, choose }: Props) {
  const who = useWho();
  const diagrams = useAppSelector((state) => state.diagrams.list);
  const { sheets, again } = useModelSheets(who);
  const [refused, setRefused] = useState<{ of: string; why: string }>();
  if (!model.trim()) return null;
  const here = diagrams.find(({ id, version }) => diagramKey(id, version) === chosen);
  const found = sheetsOf(sheets, make, model).flatMap((sheet) => {
    const diagram = diagrams.find(({ id }) => id === sheet.diagram);
    return diagram ? [{ sheet, diagram }] : [];
  });
  const [first] = found;
  const fits = first && first.diagram.id === here?.id;
  const remember = (): void => {
    if (!here) return;
    const of = `${make} ${model} ${here.id}`;
    const sheet = { make: make.trim(), pattern: model.trim(), diagram: here.id };
    sayModelSheet(who, crypto.randomUUID(), sheet).then(again, (error: unknown) =>
      setRefused({
        of,
        why: sayWhyNot(error, 'The server is away: it is not remembered.').join(' '),
      }),
    );
  };
  const why = refused?.of === `${make} ${model} ${here?.id}` ? refused.why : undefined;
  if (fits)
    return (
      <Type tone="good" weight="strong" testID="model-fits">
        {`${first.sheet.pattern} uses this diagram.`}
      </Type>
    );
  if (!first && !here) return null;
  return (
    <Card testID="model-sheet">
      {found.map(({ sheet, diagram }) => (
        <Button
          key={`${sheet.make} ${sheet.pattern}`}
          icon="link"
          label={`${sheet.pattern} uses: ${diagram.name}`}
          testID={`model-uses-${diagram.id}`}
          onPress={() => choose(diagramKey(diagram.id, sheet.version ?? diagram.version))}
        />
      ))}
      {here && (
        <Button
          icon="save"
          label={`Remember: ${model.trim()} uses ${here.name}`}
          testID="model-remember"
          onPress={remember}
        />
      )}
      {why !== undefined && (
        <Type size="small" weight="strong" tone="bad" role="alert">
          {why}
        </Type>
      )}
    </Card>
  );
}
