/**
 * Every screen but the first: one script, which the device has before anybody asks for it. Metro puts what two scripts
 * share into the one that all begin with, so that two of them here would make the first page larger.
 */
export { RefusedCards } from '../ui/RefusedCards';
export { CalculatorsScreen } from './calculators/CalculatorsScreen';
export { CallScreen } from './calls/CallScreen';
export { NewCallScreen } from './calls/NewCallScreen';
export { DayScreen } from './day/DayScreen';
export { DecideScreen } from './decide/DecideScreen';
export { LedgerScreen } from './ledger/LedgerScreen';
export { ChecksScreen } from './ledger/ChecksScreen';
export { OrderScreen } from './ledger/OrderScreen';
export { PhotoScreen } from './photos/PhotoScreen';
export { DiagramScreen } from './diagrams/DiagramScreen';
export { DiagramsScreen } from './diagrams/DiagramsScreen';
export { AccountScreen } from './door/AccountScreen';
export { DoorScreen } from './door/DoorScreen';
export { JoinScreen } from './door/JoinScreen';
export { PeopleScreen } from './door/PeopleScreen';
export { EditorScreen } from './editor/EditorScreen';
export { ReportScreen } from './report/ReportScreen';
export { SwitchScreen } from './switchProof/SwitchScreen';
export { WorkScreen } from './diagnosis/WorkScreen';
export { heedChanges } from '../state/heedChanges';
export { startDiagnosis } from '../workers/diagnosis';
