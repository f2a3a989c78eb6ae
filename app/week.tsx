export { CalendarScreen as default } from '@/features/visits/late';
