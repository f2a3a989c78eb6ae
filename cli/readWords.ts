import { howOf, offeredIn } from '@/core/advise/how';
import { standInsFor } from '@/core/advise/standIns';
import { liesIn, staysFreeIn } from '@/core/lies';
import type { Person } from '@/core/formats/book';
import type { Plan, PlanPose, PlanSlot } from '@/core/formats/plan';
import { poseById, poseName, stageNameOf, wayOf } from '@/core/poses/poses';
import { countWords } from '@/ui/words/counted';
import type { Shelf } from '@/core/props/shelf';
import { stackWords } from '@/core/props/stack';
import type { Words } from '@/ui/words/words';

const indented = (lines: readonly string[]) => lines.map((line) => `    ${line}`);
const titled = (title: string, lines: readonly string[]): string[] =>
  lines.length === 0 ? [] : [`  ${title}`, ...indented(lines)];
const named = (ids: readonly (string | null)[]): string =>
  ids.flatMap((id) => (id ? poseName(id) : [])).join(', ');

function slotLines(slot: PlanSlot, shelf: Shelf, say: Words): string[] {
  const built = liesIn(slot)
    ? `${say.length(slot.isLength ? slot.targetCm : slot.stackCm)}: ${stackWords(slot.stack, shelf)}`
    : staysFreeIn(slot)
      ? `stays free, ${say.length(slot.targetCm)} up`
      : `could be filled: ${say.length(slot.targetCm)}`;
  const why = say.reasonsOn(slot);
  return [`${say.slot(slot)} ${built}`, ...(why ? [`  why: ${why}`] : [])];
}

function aroundOf({ around: { before, after, easier, harder } }: PlanPose): string[] {
  const lines = { before, after, easier: [easier], harder: [harder] };
  return Object.entries(lines).flatMap(([what, ids]) => {
    const names = named(ids);
    return names === '' ? [] : [`${what}: ${names}`];
  });
}

/** One planned pose as a teacher reads it, line by line. */
function poseLines(planned: PlanPose, shelf: Shelf, say: Words): string[] {
  const pose = poseById(planned.pose);
  if (!pose) return [planned.pose];
  const { slots, way, side, status, reasons, refer, decision, instead } = planned;
  const how = howOf(planned);
  const home = standInsFor(planned);
  const on = side === 'both' ? '' : `, ${say.side(side)}`;
  const wayName = wayOf(pose, way)?.name;
  const stage = stageNameOf(pose.id, planned.stage);
  const built = slots.length > 0;
  const offered = offeredIn(planned);
  const isShown = (slot: PlanSlot) => liesIn(slot) || staysFreeIn(slot) || offered.includes(slot);
  return [
    `${pose.name}${on}${wayName ? ` · ${wayName}` : ''}${stage && stage !== wayName ? ` · ${stage}` : ''} · ${status} · ${decision.word}`,
    ...indented([...reasons, ...refer].map(say.reason)),
    ...(instead ? [`  instead: ${named([instead])}`] : []),
    ...titled(
      'build',
      slots.filter(isShown).flatMap((slot) => slotLines(slot, shelf, say)),
    ),
    ...titled('other ways', planned.notTaken.map(say.reason)),
    ...titled(
      'set',
      planned.dials.map(({ dial, value }) => `${say.dial(dial)} ${say.dialValue(dial, value)}`),
    ),
    ...titled('next', decision.reasons.map(say.reason).filter(Boolean)),
    ...(built ? titled('enter', how.entry) : []),
    ...(built ? titled('look', how.look) : []),
    ...(built ? titled('come out', how.exit) : []),
    ...(planned.holdSeconds > 0
      ? [
          `  hold ${planned.times === null ? `${planned.holdSeconds} s` : countWords(planned, planned.times)}`,
        ]
      : []),
    ...titled('around', aroundOf(planned)),
    ...titled('home', [
      ...home.slots.map(({ slot, said }) => `${say.slot({ slot: slot.slot })}: ${said}.`),
      ...(home.also ? [home.also] : []),
    ]),
  ];
}

/** A plan as a teacher reads it: the same words as in the app, from the same functions. */
export const readWords = (plan: Plan, person: Person, shelf: Shelf, say: Words): string =>
  [
    `${person.name}, ${person.approach}`,
    '',
    ...plan.poses.flatMap((planned) => [...poseLines(planned, shelf, say), '']),
  ].join('\n');
