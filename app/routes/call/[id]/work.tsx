import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/laterScreen';

const WorkScreen = screen('WorkScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <WorkScreen callId={id} />;
}
