import type { PlannedStep } from './planLesson';
import { timelineOf, type Phase, type Segment } from './timeline';

/** What one student does in a step of a lesson that is led. */
export interface OwnStep {
  readonly is: 'pose' | 'step';
  readonly id: string;
  readonly side: PlannedStep['side'];
  readonly seconds: number;
  readonly times: number | null;
  readonly standsFor: string | null;
  readonly isSmaller: boolean;
  readonly mark: 'first' | 'last' | null;
}

/** A step of a lesson that is led: what each of those who are on a mat does in it; null where they rest. */
export interface LedStep {
  /** Which step of the lesson. */
  readonly of: number;
  readonly whose: Readonly<Record<string, OwnStep | null>>;
}

/** A student's part in a lesson. */
export interface Part {
  readonly person: string;
  readonly steps: readonly PlannedStep[];
  readonly pace: number;
}

const own = (one: PlannedStep): OwnStep => ({
  is: one.is,
  id: one.is === 'pose' ? one.planned.pose : one.step.id,
  side: one.side,
  seconds: one.seconds,
  times: one.times,
  standsFor: one.standsFor,
  isSmaller: one.is === 'step' && one.isSmaller,
  mark: one.is === 'pose' ? one.mark : null,
});

const order: readonly Phase[] = ['way', 'build', 'enter', 'move', 'hold', 'out'];

/**
 * A lesson for one student, or for several at once: step by step what each of them does, and by the clock as long as
 * whoever takes longest.
 */
export function together(parts: readonly Part[]): {
  readonly steps: readonly LedStep[];
  readonly segments: readonly Segment[];
} {
  const places = [...new Set(parts.flatMap(({ steps }) => steps.map(({ of }) => of)))].sort(
    (a, b) => a - b,
  );
  const steps: LedStep[] = [];
  /** Of each student the led step of each of their own. */
  const ledAt = parts.map(() => new Map<number, number>());
  for (const of of places) {
    const mine = parts.map((part) =>
      part.steps.flatMap((one, i) => (one.of === of ? [{ one, i }] : [])),
    );
    const most = Math.max(...mine.map(({ length }) => length));
    for (let n = 0; n < most; n += 1) {
      for (const [p, all] of mine.entries()) {
        const here = all[n];
        if (here) ledAt[p]?.set(here.i, steps.length);
      }
      steps.push({
        of,
        whose: Object.fromEntries(
          parts.map(({ person }, p) => {
            const here = mine[p]?.[n];
            return [person, here ? own(here.one) : null];
          }),
        ),
      });
    }
  }
  const longest = new Map<string, Segment>();
  for (const [p, { steps: its, pace }] of parts.entries())
    for (const segment of timelineOf(its, pace)) {
      const step = ledAt[p]?.get(segment.step) ?? 0;
      const key = `${step} ${segment.phase}`;
      const before = longest.get(key);
      if (!before || segment.seconds > before.seconds) longest.set(key, { ...segment, step });
    }
  return {
    steps,
    segments: [...longest.values()].sort(
      (a, b) => a.step - b.step || order.indexOf(a.phase) - order.indexOf(b.phase),
    ),
  };
}
