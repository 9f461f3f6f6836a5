import { useLocalSearchParams } from 'expo-router';
import { CallScreen } from '../../../screens/CallScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <CallScreen callId={id} />;
}
