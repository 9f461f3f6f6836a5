import { screen } from '../features/laterScreen';

const DoorScreen = screen('DoorScreen');

export default function Route() {
  return <DoorScreen />;
}
