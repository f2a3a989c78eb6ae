export { CalendarScreen } from './CalendarScreen';
export { ComingOn } from './ComingOn';
export { NextTime } from './NextTime';
