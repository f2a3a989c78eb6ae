export { DataScreen as default } from '@/features/pages/late';
