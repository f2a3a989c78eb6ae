export { StudentsFrame as default } from '@/features/pages/late';
