import { screen } from '../features/laterScreen';

const JoinScreen = screen('JoinScreen');

export default function Route() {
  return <JoinScreen />;
}
