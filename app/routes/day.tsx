import { screen } from '../features/laterScreen';

const DayScreen = screen('DayScreen');

export default function Route() {
  return <DayScreen />;
}
