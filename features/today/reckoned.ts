export { ComerWork } from './ComerWork';
export { Evening } from './Evening';
export { FetchForAll, FetchForClass } from './Fetch';
