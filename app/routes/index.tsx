import { CallsScreen } from '../features/calls/CallsScreen';

export default CallsScreen;
