export { NewStudentScreen as default } from '@/features/pages/late';
