import type { ComponentType } from 'react';
import { late } from '@/ui/late';
import type * as Pages from './pages';

/**
 * All pages that draw, lead to one that does, or have forms, together: what they share comes once, with the first of
 * them, and the first screen waits for none of it.
 */
const pages = () => import('./pages');
const page = <Props extends object>(of: (all: typeof Pages) => ComponentType<Props>) =>
  late(async () => of(await pages()));

export const MatScreen = page((all) => all.MatScreen);
export const MeasureScreen = page((all) => all.MeasureScreen);
export const ProtocolsScreen = page((all) => all.ProtocolsScreen);
export const HomeScreen = page((all) => all.HomeScreen);
export const HomeSheetScreen = page((all) => all.HomeSheetScreen);
export const DoneAtHomeScreen = page((all) => all.DoneAtHomeScreen);
export const TakenScreen = page((all) => all.TakenScreen);
export const PlanScreen = page((all) => all.PlanScreen);
export const PoseScreen = page((all) => all.PoseScreen);
export const ProgressScreen = page((all) => all.ProgressScreen);
export const RecordScreen = page((all) => all.RecordScreen);
export const ShelfScreen = page((all) => all.ShelfScreen);
export const DataScreen = page((all) => all.DataScreen);
export const DrawingsScreen = page((all) => all.DrawingsScreen);
export const MoreScreen = page((all) => all.MoreScreen);
export const ReckoningScreen = page((all) => all.ReckoningScreen);
export const LessonScreen = page((all) => all.LessonScreen);
export const ClassLessonScreen = page((all) => all.ClassLessonScreen);
export const ClassScreen = page((all) => all.ClassScreen);
export const HelpScreen = page((all) => all.HelpScreen);
export const IntakeScreen = page((all) => all.IntakeScreen);
export const NewStudentScreen = page((all) => all.NewStudentScreen);
export const ProportionsScreen = page((all) => all.ProportionsScreen);
export const StudentScreen = page((all) => all.StudentScreen);
export const StudentsFrame = page((all) => all.StudentsFrame);
export const StudentsScreen = page((all) => all.StudentsScreen);
/** Where there is no book to open. */
export const Lost = page((all) => all.Lost);
export const NoAnswer = page((all) => all.NoAnswer);
/** What Today tells of a student, once it is reckoned. */
export const ComerWork = page((all) => all.ComerWork);
/** Nothing stands in their place: they stand under everybody. */
export const FetchForAll = late(async () => (await pages()).FetchForAll, null);
export const Evening = late(async () => (await pages()).Evening, null);
export const FetchForClass = late(async () => (await pages()).FetchForClass, null);
/** Brings them before they are asked for. */
export const bringPages = () => void pages();

/** With what turns its document into a page, which nothing else needs. */
export const HowScreen = late(async () => (await import('../settings/HowScreen')).HowScreen);
