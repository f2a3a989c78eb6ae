export { HelpScreen as default } from '@/features/pages/late';
