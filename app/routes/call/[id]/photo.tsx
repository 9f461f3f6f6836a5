import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/laterScreen';

const PhotoScreen = screen('PhotoScreen');

export default function Route() {
  const { id, photo = '' } = useLocalSearchParams<{ id: string; photo?: string }>();
  return <PhotoScreen callId={id} photoId={photo} />;
}
