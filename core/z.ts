import { z } from 'zod';

/**
 * The validator, told not to write code of its own: asking whether it may would break the page's own policy at every
 * load. Set here, before the first schema is made; whoever makes one takes it from here.
 */
z.config({ jitless: true });

export { z };
