import { TakenScreen } from '@/features/pages/late';

export default TakenScreen;
