export { StudentsScreen as default } from '@/features/students/StudentsScreen';
