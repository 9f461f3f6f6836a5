import { screen } from '../features/laterScreen';

const PeopleScreen = screen('PeopleScreen');

export default function Route() {
  return <PeopleScreen />;
}
