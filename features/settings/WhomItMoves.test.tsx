import { fireEvent, screen } from '@testing-library/react';
import { decision } from '@/core/parameters';
import { heightsOf, type PlanHeight } from '@/core/advise/moved';
import { planStudent } from '@/core/plan/plan';
import type { MovedAnswer, MovedTask } from '@/workers/plans.worker';
import { show } from '../tests/onScreen';
import { OneNumber } from './OneNumber';

/** A worker that plans as the true one does, and then answers what a number that moves something would bring. */
function standIn(answer: (heights: readonly PlanHeight[], isTried: boolean) => MovedAnswer) {
  class Stand {
    onmessage: ((event: { data: MovedAnswer }) => void) | null = null;
    constructor(
      _: URL,
      private readonly options: { name: string },
    ) {}
    postMessage({ records, shelf, today }: MovedTask) {
      const heights = heightsOf(planStudent(records[0]!, shelf, today, { poses: ['hero'] }));
      this.onmessage?.({ data: answer(heights, this.options.name !== 'null') });
    }
    terminate() {}
  }
  Object.assign(globalThis, { Worker: Stand });
}
afterEach(() => {
  Reflect.deleteProperty(globalThis, 'Worker');
});

async function tryIt() {
  await show(
    <OneNumber group="decision" name="chance" words="Chance" parameter={decision.chance} />,
  );
  fireEvent.click(screen.getByRole('button', { name: 'Chance: what another number would move' }));
  fireEvent.click(screen.getByRole('button', { name: 'Whom would it move?' }));
}

test('who would sit on something else is named, with what moves most', async () => {
  standIn((heights, isTried) => ({
    heights: [
      heights.map((one) =>
        isTried && one.slot === 'seat' ? { ...one, builtCm: one.builtCm + 4 } : one,
      ),
    ],
  }));
  await tryIt();
  expect(await screen.findByText(/1 of 1 would sit, kneel or lie/)).toBeInTheDocument();
  expect(screen.getByText(/: Hero, seat (nothing|.* cm) → .* cm$/)).toBeInTheDocument();
});

test('where nothing is laid otherwise, that is said', async () => {
  standIn((heights) => ({ heights: [heights] }));
  await tryIt();
  expect(await screen.findByText(/Nothing would be laid otherwise for anyone/)).toBeInTheDocument();
});

test('a number with which nothing can be reckoned is told, and one that is none is not tried', async () => {
  standIn(() => ({ failed: 'no such body.' }));
  await tryIt();
  expect(await screen.findByText(/cannot be reckoned: no such body/)).toBeInTheDocument();
  fireEvent.change(screen.getByLabelText(/Chance: what if it were/), { target: { value: 'much' } });
  expect(screen.getByText(/“much” is not a number/)).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Whom would it move?' })).toBeDisabled();
});
