export { HowScreen as default } from '@/features/settings/HowScreen';
