export { StudentsFrame as default } from '@/features/students/StudentsScreen';
