export { OnPhone } from './OnPhone';
export { sheetIn } from './link';
