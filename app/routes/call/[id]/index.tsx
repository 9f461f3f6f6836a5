import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/laterScreen';

const CallScreen = screen('CallScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CallScreen callId={id} />;
}
