import { screen } from '../features/laterScreen';

const AccountScreen = screen('AccountScreen');

export default function Route() {
  return <AccountScreen />;
}
