import { visitSchema } from '@/core/formats/book';

/** What is wrong with an hour, or nothing. */
export const hourFault = (typed: string): string | undefined =>
  visitSchema.shape.time.safeParse(typed).error?.issues[0]?.message;
