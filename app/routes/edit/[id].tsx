import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../features/laterScreen';

const EditorScreen = screen('EditorScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <EditorScreen id={id} />;
}
