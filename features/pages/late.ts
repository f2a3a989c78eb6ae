import { late } from '@/ui/late';

/**
 * All pages that draw, lead to one that does, or have forms, together: what they share comes once, with the first of
 * them, and the first screen waits for none of it.
 */
const pages = () => import('./pages');
export const MatScreen = late(async () => (await pages()).MatScreen);
export const MeasureScreen = late(async () => (await pages()).MeasureScreen);
export const ProtocolsScreen = late(async () => (await pages()).ProtocolsScreen);
export const HomeScreen = late(async () => (await pages()).HomeScreen);
export const PlanScreen = late(async () => (await pages()).PlanScreen);
export const PoseScreen = late(async () => (await pages()).PoseScreen);
export const ProgressScreen = late(async () => (await pages()).ProgressScreen);
export const RecordScreen = late(async () => (await pages()).RecordScreen);
export const ShelfScreen = late(async () => (await pages()).ShelfScreen);
export const DataScreen = late(async () => (await pages()).DataScreen);
export const DrawingsScreen = late(async () => (await pages()).DrawingsScreen);
export const MoreScreen = late(async () => (await pages()).MoreScreen);
export const ReckoningScreen = late(async () => (await pages()).ReckoningScreen);
export const IntakeScreen = late(async () => (await pages()).IntakeScreen);
export const NewStudentScreen = late(async () => (await pages()).NewStudentScreen);
export const ProportionsScreen = late(async () => (await pages()).ProportionsScreen);
export const StudentScreen = late(async () => (await pages()).StudentScreen);
export const StudentsFrame = late(async () => (await pages()).StudentsFrame);
export const StudentsScreen = late(async () => (await pages()).StudentsScreen);
/** Brings them before they are asked for. */
export const bringPages = () => void pages();

/** With what turns its document into a page, which nothing else needs. */
export const HowScreen = late(async () => (await import('../settings/HowScreen')).HowScreen);
