import type { PlanSlot } from './formats/plan';
import { thin } from './parameters';

/** Whether a support so high, in cm, lies there: what is thinner is a fold in the mat. */
export const lies = (cm: number): boolean => cm > thin.lies.value;

/** Whether so much, in cm, is worth building. */
export const isWanted = (cm: number): boolean => cm >= thin.wanted.value;

/** Whether what went up or down by so much, in cm, was moved. */
export const isMoved = (byCm: number): boolean => Math.abs(byCm) >= thin.moved.value;

/** Whether one height, in cm, stands over another by so much that it was moved. */
export const standsOver = (cm: number, otherCm: number): boolean =>
  cm > otherCm && isMoved(cm - otherCm);

/** Whether anything lies in a slot: a strap has a length and no height. */
export const liesIn = ({
  stack,
  stackCm,
  isLength,
}: Pick<PlanSlot, 'stack' | 'stackCm'> & { readonly isLength?: boolean | undefined }) =>
  stack.length > 0 && (isLength === true || lies(stackCm));

/** Whether a slot asks for a support that lies nowhere, and says so. */
export const staysFreeIn = ({ stack, reasons }: PlanSlot) =>
  stack.length === 0 && reasons.some(({ code }) => code === 'stays-free');
