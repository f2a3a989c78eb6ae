import { z } from '@/core/z';
import { readNumber } from './number';

/** A text that holds a number between two limits, in words when it does not; empty only where that is allowed. */
export const numberText = (
  what: string,
  least: number,
  most: number,
  unit: string,
  mayBeEmpty = false,
) =>
  z.string().superRefine((text, context) => {
    if (mayBeEmpty && text.trim() === '') return;
    const read = readNumber(text);
    const words = !read.ok
      ? read.words
      : read.value < least || read.value > most
        ? `${read.value} is not between ${least} and ${most}${unit}.`
        : null;
    if (words) context.addIssue({ code: 'custom', message: `${what}: ${words}` });
  });
