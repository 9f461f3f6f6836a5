import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/laterScreen';

const LedgerScreen = screen('LedgerScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <LedgerScreen callId={id} />;
}
