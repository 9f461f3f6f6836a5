import { DiagramsScreen } from '../features/diagrams/DiagramsScreen';

export default DiagramsScreen;
