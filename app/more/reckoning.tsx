export { ReckoningScreen as default } from '@/features/pages/late';
