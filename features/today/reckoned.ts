export { ComerWork } from './ComerWork';
export { ClassScreen } from './ClassScreen';
export { Evening } from './Evening';
export { FetchForAll, FetchForClass } from './Fetch';
