import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/laterScreen';

const SwitchScreen = screen('SwitchScreen');

export default function Route() {
  const { id, part, of } = useLocalSearchParams<{ id: string; part: string; of?: string }>();
  return <SwitchScreen key={`${part} ${of}`} callId={id} partId={part} bench={of === 'bench'} />;
}
