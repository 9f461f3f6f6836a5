import { useLocalSearchParams } from 'expo-router';
import { CallScreen } from '../../../features/calls/CallScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CallScreen callId={id} />;
}
