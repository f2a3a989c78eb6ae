export { ReckoningScreen as default } from '@/features/settings/ReckoningScreen';
