export { MoreScreen as default } from '@/features/settings/MoreScreen';
