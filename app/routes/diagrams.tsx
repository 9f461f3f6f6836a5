import { DiagramsScreen } from '../screens/DiagramsScreen';

export default DiagramsScreen;
