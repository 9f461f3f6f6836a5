import { useLocalSearchParams } from 'expo-router';
import { screen } from '../../../features/laterScreen';

const OrderScreen = screen('OrderScreen');

export default function Route() {
  const { id } = useLocalSearchParams<{ id: string }>();
  return <OrderScreen callId={id} />;
}
