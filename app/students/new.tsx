export { NewStudentScreen as default } from '@/features/students/NewStudentScreen';
