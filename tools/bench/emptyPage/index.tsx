import { Text } from 'react-native';

/** The least that a page of this platform can show. */
export default function EmptyPage() {
  return <Text testID="word">Yarrix</Text>;
}
