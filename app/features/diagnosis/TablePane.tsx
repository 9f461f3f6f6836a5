import type { TerminalRef } from '../../../core/diagram/diagram';
import { splitRef, switches } from '../../../core/diagram/terminal';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { Type } from '../../ui/Type';
import { ContactTableView } from '../switchProof/ContactTableView';
import { useSwitchProof } from '../switchProof/useSwitchProof';
import type { Work } from './useWork';

/** The contact table of the switch at one of the probes, expected against measured. */
export function TablePane({ work, at }: { work: Work; at: TerminalRef[] | undefined }) {
  const { call } = work;
  const owners = at?.map((ref) => splitRef(ref).part) ?? [];
  const part = switches(call.diagram).find((each) => owners.includes(each.id));
  return part ? (
    <Table callId={call.id} part={part.id} />
  ) : (
    <Notice
      icon="grid"
      title="No switch at the probes"
      text="The contact table of a switch is here while it is tested."
      testID="no-table"
    />
  );
}

function Table({ callId, part }: { callId: string; part: string }) {
  const opening = useSwitchProof(callId, part);
  if (opening.state !== 'ready') return null;
  return (
    <Card testID="table-pane">
      <Type weight="heavy" role="heading" aria-level={2}>
        {opening.proof.part.name}
      </Type>
      <ContactTableView proof={opening.proof} />
    </Card>
  );
}
