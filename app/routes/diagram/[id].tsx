import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../features/laterScreen';

const DiagramScreen = screen('DiagramScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DiagramScreen id={id} />;
}
