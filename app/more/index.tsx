export { MoreScreen as default } from '@/features/pages/late';
