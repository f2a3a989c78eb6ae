export { Course } from './Course';
export { StepChart } from './StepChart';
