import { useLocalSearchParams } from 'expo-router';
import { WorkScreen } from '../../../features/diagnosis/WorkScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WorkScreen callId={id} />;
}
