import { DoneAtHomeScreen } from '@/features/pages/late';

export default DoneAtHomeScreen;
