import { screen } from '../features/laterScreen';

const CalculatorsScreen = screen('CalculatorsScreen');

export default function Route() {
  return <CalculatorsScreen />;
}
