export { CalendarScreen } from './CalendarScreen';
export { ComingOn } from './ComingOn';
