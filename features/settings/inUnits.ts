import { fromCm, toCm, type Units } from '@/ui/format';

const rounded = (value: number) => Math.round(value * 1000) / 1000;
/** A parameter's value in the teacher's units. */
export const told = (value: number, unit: string, units: Units): number => {
  if (unit === 'cm') return rounded(fromCm(value, units));
  return unit.endsWith('/cm') ? rounded(toCm(value, units)) : rounded(value);
};
/** What a teacher typed, in the parameter's own unit. */
export const meant = (typed: number, unit: string, units: Units): number => {
  if (unit === 'cm') return toCm(typed, units);
  return unit.endsWith('/cm') ? fromCm(typed, units) : typed;
};
export const unitIn = (unit: string, units: Units): string =>
  unit === 'ratio' ? '' : unit.replace(/\bcm\b/, units);
