export { ShelfScreen as default } from '@/features/pages/late';
