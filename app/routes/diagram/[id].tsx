import { useLocalSearchParams } from 'expo-router';
import { DiagramScreen } from '../../features/diagrams/DiagramScreen';

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <DiagramScreen id={id} />;
}
