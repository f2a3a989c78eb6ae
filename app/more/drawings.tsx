export { DrawingsScreen as default } from '@/features/settings/DrawingsScreen';
