import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/laterScreen';

const ReportScreen = screen('ReportScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <ReportScreen callId={id} />;
}
