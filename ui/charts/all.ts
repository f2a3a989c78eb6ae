export { Course } from './Course';
export { ReadingDots } from './ReadingDots';
export { StepChart } from './StepChart';
