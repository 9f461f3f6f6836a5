import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/laterScreen';

const SwitchScreen = screen('SwitchScreen');

export default function Route() {
  const { id, part } = useLocalSearchParams<{ id: string; part: string }>();
  return <SwitchScreen key={part} callId={id} partId={part} />;
}
