import { gateKey } from '../approaches/approaches';
import { poses } from '../poses/poses';

/** Choices of somebody who has practised before, so that every pose can be looked at. */
export const practisedElsewhere = Object.fromEntries(
  poses.map(({ id }) => [gateKey(id), 'practised' as const]),
);
