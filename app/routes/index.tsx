import { CallsScreen } from '../screens/CallsScreen';

export default CallsScreen;
