import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/laterScreen';

const DecideScreen = screen('DecideScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DecideScreen callId={id} />;
}
