import { howOf } from '@/core/advise/how';
import { liesIn } from '@/core/lies';
import type { PlanPose } from '@/core/formats/plan';
import { stepById } from '@/core/lessons/steps';
import type { OwnStep } from '@/core/lessons/together';
import type { Phase } from '@/core/lessons/timeline';
import { stackWords } from '@/core/props/stack';
import type { Shelf } from '@/core/props/shelf';
import { length, type Units } from '@/ui/format';
import { countWords } from '@/ui/words/counted';
import { slotName } from '@/ui/words/words';
import { poseTitle } from '../plan/words';

/** A step as it is called, with its side: "One-leg fold, left". */
export function stepTitle({ is, id, side }: Pick<OwnStep, 'is' | 'id' | 'side'>): string {
  if (is === 'pose') return poseTitle({ pose: id, side });
  const name = stepById(id)?.name ?? id;
  return side === 'both' ? name : `${name}, ${side}`;
}

/** What is going on in a stretch, as one word over its time. */
export const phaseWords: Readonly<Record<Phase, string>> = {
  build: 'Build',
  enter: 'Into it',
  hold: 'Hold',
  out: 'Out',
  move: 'With the breath',
  way: 'On the way',
};

/** What lies there for a pose, slot by slot. */
export const buildLines = (
  { slots }: Pick<PlanPose, 'slots'>,
  shelf: Shelf,
  units: Units,
): readonly string[] =>
  slots
    .filter(liesIn)
    .map(
      (slot) =>
        `${slotName(slot)} ${length(slot.stackCm, units)}: ${stackWords(slot.stack, shelf)}`,
    );

/** What is said where a caution asks for less of a movement. */
const SMALLER = 'Small, and only as far as nothing is felt.';

/** What is told in a stretch of what somebody does: true of what is built. */
export function stretchLines(
  own: OwnStep,
  phase: Phase,
  planned: PlanPose | undefined,
  shelf: Shelf,
  units: Units,
): readonly string[] {
  if (own.is === 'step' && phase !== 'build') {
    const cues = stepById(own.id)?.cues ?? [];
    return own.isSmaller && phase === 'move' ? [SMALLER, ...cues] : cues;
  }
  if (!planned) return [];
  switch (phase) {
    case 'build': {
      const lines = buildLines(planned, shelf, units);
      return lines.length > 0 ? lines : ['Clear the mat: nothing is needed.'];
    }
    case 'enter':
      return howOf(planned).entry;
    case 'hold':
      return howOf(planned).look;
    default:
      return howOf(planned).exit;
  }
}

/** How long, or how often: "60 seconds", "8 times, with the breath". */
export function dose({ seconds, times, is, id }: OwnStep, planned?: PlanPose): string {
  if (times !== null)
    return planned && is === 'pose'
      ? countWords(planned, times)
      : `${times} times, with the breath`;
  if (stepById(id)?.kind === 'transition') return '';
  return seconds < 100 ? `${seconds} seconds` : `${Math.round(seconds / 30) / 2} minutes`;
}

/** What is said aloud as a stretch begins. */
export function saidIn(
  own: OwnStep,
  phase: Phase,
  planned: PlanPose | undefined,
  next: OwnStep | null,
  shelf: Shelf,
): string {
  const title = stepTitle(own);
  const lines = stretchLines(own, phase, planned, shelf, 'cm');
  switch (phase) {
    case 'build':
      // Heights are read, and pieces are heard.
      return `${title}. ${lines.map((line) => line.replace(/ [\d.]+ (cm|in):/, ':')).join('. ')}`;
    case 'enter':
      return [title, ...lines].join('. ');
    case 'hold':
      return dose(own, planned);
    case 'out':
      return [...lines, next ? `Next: ${stepTitle(next)}` : 'That was the last one'].join('. ');
    case 'move':
    case 'way':
      return [title, dose(own), ...lines].filter((line) => line !== '').join('. ');
  }
}
