export { HowScreen as default } from '@/features/pages/late';
