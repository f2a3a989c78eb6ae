import { late } from '../late';

/** Scales and axes come with the first chart: no other screen waits for them. */
const charts = () => import('./all');
export const Course = late(async () => (await charts()).Course);
export const StepChart = late(async () => (await charts()).StepChart);
export const ReadingDots = late(async () => (await charts()).ReadingDots);
