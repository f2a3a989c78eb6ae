export { OnPhone } from './OnPhone';
export { sheetIn, homeLogIn } from './link';
export { ToTeacher } from './ToTeacher';
