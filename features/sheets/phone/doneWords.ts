import type { Done } from '@/core/advise/homeLog';
import { date, minutes } from '@/ui/format';
import { poseTitle } from '../../plan/words';
import { feltWords } from './homeLog';

/** A pose as it was done at home, in a line: "2 Dec 2026: Pigeon, left, 1:00, just right". */
export const doneWords = ({ pose, side, at, heldSeconds, felt }: Done): string =>
  [
    `${date(at)}: ${poseTitle({ pose, side })}`,
    ...(heldSeconds > 0 ? [minutes(heldSeconds)] : []),
    feltWords(felt).toLowerCase(),
  ].join(', ');
