import { z } from '../z';

/** An object that keeps fields it does not know, so that what a newer version wrote loses nothing here. */
export const open = <T extends z.ZodRawShape>(shape: T) =>
  z.looseObject(shape) as unknown as z.ZodObject<T>;
