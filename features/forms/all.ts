export { ItemForm } from './ItemForm';
export { Proportions } from './Proportions';
export { StudentForm } from './StudentForm';
