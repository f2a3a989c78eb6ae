import type { Person } from '@/core/formats/book';
import { placeKey, placesOf } from '@/core/advise/order';
import { recordIn } from '@/core/recordIn';
import { practisedPoses } from '@/core/plan/practised';
import { matOf, matStarted, type Settled } from '@/store/mat';
import { selectPlan } from '@/store/reckoned';
import { selectDay, selectSessionsOf } from '@/store/selectors';
import type { Thunk } from '@/store/store';
import { nowIso, todayIso } from '../hooks';
import { answersOf } from './reconsider';
import { doable } from './session';

/** Puts a student on a mat with an order of poses, as they come today and with what is answered by now. */
export const beginSession =
  (person: Person, poses: string[], settled: Record<string, Settled[]> = {}): Thunk =>
  (dispatch, getState) => {
    const day = selectDay(getState(), person.id, todayIso());
    const answers = answersOf(person);
    dispatch(matStarted({ person: person.id, poses, at: nowIso(), day, settled, answers }));
  };

/**
 * Puts several students on their mats, each with the order that was laid out for them or what they practise. Who is on
 * one already goes on; who has nothing to begin with is left.
 *
 * @returns who is on a mat now, the first one first.
 */
export const beginTogether =
  (people: readonly string[]): Thunk<readonly string[]> =>
  (dispatch, getState) => {
    const today = todayIso();
    for (const id of people) {
      const state = getState();
      const person = recordIn(state.people, id);
      const order = recordIn(state.mat.laid, id)?.order;
      const plan = selectPlan(state, id, today, (order ?? []).join(','));
      if (!person || !plan || matOf(state.mat, id)) continue;
      const practised = practisedPoses(selectSessionsOf(state, id));
      const offered = doable(plan);
      const poses = order
        ? placesOf(order, offered)
        : offered.filter(({ pose }) => practised.has(pose)).map(placeKey);
      if (poses.length > 0) dispatch(beginSession(person, poses));
    }
    return people.filter((id) => matOf(getState().mat, id));
  };
