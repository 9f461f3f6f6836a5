import { NewCallScreen } from '../screens/NewCallScreen';

export default NewCallScreen;
