import { NewCallScreen } from '../features/calls/NewCallScreen';

export default NewCallScreen;
