export { ComerWork } from './ComerWork';
export { FetchForAll, FetchForClass } from './Fetch';
