import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/laterScreen';

const ChecksScreen = screen('ChecksScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ChecksScreen callId={id} />;
}
