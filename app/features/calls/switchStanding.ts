import type { CallDetail } from '../../../contract/call';
import { SwitchPredictor } from '../../../core/inference/switchPredictor';
import { switchState } from '../../../core/inference/switchVerdict';
import type { SwitchPart } from '../../../core/diagram/diagram';
import type { Meter } from '../../../core/meter/meter';
import { acknowledgements, readingsOf } from './callView';

/** How one switch stands, in a word or two, for the list of a call. */
export interface SwitchStanding {
  label: string;
  tone: 'ink' | 'good' | 'bad' | 'warn';
  icon: 'circle' | 'check-circle' | 'x-octagon' | 'alert-circle' | 'eye';
}

export function switchStanding(call: CallDetail, part: SwitchPart, meter: Meter): SwitchStanding {
  const readings = readingsOf(call.entries, part.id).filter((each) => !each.doubted);
  if (readings.length === 0) return { label: 'Not read', tone: 'ink', icon: 'circle' };
  const { leadOhms = meter.leads.ohms } = acknowledgements(call.entries);
  const used = { ...meter, leads: { ...meter.leads, ohms: leadOhms } };
  const state = switchState(new SwitchPredictor(call.diagram, part, used), readings, 'quick');
  switch (state.verdict.kind) {
    case 'good':
      return { label: 'Good', tone: 'good', icon: 'check-circle' };
    case 'half-proved':
      return {
        label: `Half-proved, ${state.seen.size} of ${state.proof.length}`,
        tone: 'warn',
        icon: 'alert-circle',
      };
    case 'fault':
      return { label: 'Bad', tone: 'bad', icon: 'x-octagon' };
    case 'check-again':
      return { label: 'Look again', tone: 'warn', icon: 'eye' };
    case 'undecided':
      return { label: 'Something is off', tone: 'warn', icon: 'alert-circle' };
  }
}
