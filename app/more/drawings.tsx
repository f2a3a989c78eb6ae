export { DrawingsScreen as default } from '@/features/pages/late';
