import { screen } from '../features/laterScreen';

export default screen('DiagramsScreen');
