import { useLocalSearchParams } from 'expo-router';
import { SwitchScreen } from '../../../features/switchProof/SwitchScreen';

export default function Route() {
  const { id, part } = useLocalSearchParams<{ id: string; part: string }>();
  return <SwitchScreen key={part} callId={id} partId={part} />;
}
