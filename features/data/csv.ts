export { csvOf } from './csvText';
export { LookAtTable } from './LookAtTable';
