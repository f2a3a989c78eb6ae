export { StudentsScreen as default } from '@/features/pages/late';
