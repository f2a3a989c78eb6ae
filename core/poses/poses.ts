import { chair } from './chair';
import { counter } from './counterposes';
import type { Cue } from './cues';
import { forwardBending } from './forwardBending';
import { kneeling } from './kneeling';
import type { DialId } from '../dials';
import type { PoseEntry, PoseWay, Stage } from './pose';
import { reclined } from './reclined';
import { seated } from './seated';
import type { Surface } from '../reasons';
import { sidelessKey, type SlotKey, type SlotName } from '../slots';

const entries = [
  ...seated,
  ...kneeling,
  ...reclined,
  ...forwardBending,
  ...chair,
  ...counter,
] as const;

export type PoseId = (typeof entries)[number]['id'];

/** A pose of the catalogue: what it names as warm-up, counterpose, easier or harder is itself in the catalogue. */
export interface Pose extends PoseEntry {
  readonly id: PoseId;
  readonly warmUps: readonly PoseId[];
  readonly counterposes: readonly PoseId[];
  readonly easier?: PoseId;
  readonly harder?: PoseId;
  readonly insteadOver?: PoseEntry['insteadOver'] & { readonly pose: PoseId };
}

/** The catalogue. Adding a pose of a known family touches the table of its group alone. */
export const poses: readonly Pose[] = entries;

/** The five that most students begin with. */
export const commonestPoses: readonly PoseId[] = [
  'staff',
  'seated-fold',
  'hero',
  'child',
  'standing-fold',
];

const byId = new Map<string, Pose>(poses.map((pose) => [pose.id, pose]));
/** The pose of an id; undefined for one that this version does not know. */
export const poseById = (id: string): Pose | undefined => byId.get(id);

/** Ids of a group's poses. */
export const posesIn = (group: Pose['group']): readonly PoseId[] =>
  poses.filter((pose) => pose.group === group).map(({ id }) => id);

/** One way of a pose by its id; undefined where the pose has none of that name. */
export const wayOf = (pose: Pose | undefined, id: string): PoseWay | undefined =>
  pose?.ways?.find((way) => way.id === id);

/** A stage's name by its id, in whichever way it belongs to; an unknown one is told as it stands, none as null. */
export function stageNameOf(pose: string, id: string | undefined): string | null {
  if (!id) return null;
  const known = byId.get(pose);
  const all = [known?.stages ?? [], ...(known?.ways ?? []).map(({ stages = [] }) => stages)].flat();
  return all.find((stage) => stage.id === id)?.name ?? id;
}

/** How a pose is held in one of its ways. */
export const holdOf = (pose: Pick<Pose, 'hold' | 'ways'>, way = ''): Pose['hold'] =>
  pose.ways?.find(({ id }) => id === way)?.hold ?? pose.hold;

/** A pose as it is called; one that nobody here knows by its id. */
export const poseName = (id: string): string => poseById(id)?.name ?? id;

/** What can be set of a pose in one of its ways. */
export const dialsOf = (pose: Pose, way = ''): readonly DialId[] =>
  wayOf(pose, way)?.dials ?? pose.dials ?? [];

/** The stages of a pose in one of its ways. */
export const stagesOf = (pose: Pose, way = ''): readonly Stage[] =>
  wayOf(pose, way)?.stages ?? pose.stages;

/** How a pose is entered in one of its ways, as the approach's answers have it. */
export function entryOf(
  pose: Pose,
  way: string,
  answers: Readonly<Record<string, string>>,
): readonly Cue[] {
  const own = wayOf(pose, way)?.entry;
  if (own) return own;
  const answered = Object.entries(pose.entryIf ?? {}).find(([choice]) => {
    const [question, answer] = choice.split('=');
    return question !== undefined && answers[question] === answer;
  });
  return answered?.[1] ?? pose.entry;
}

const NOTHING: ReadonlySet<SlotName> = new Set();

/** What to look at in a pose in one of its ways. */
export const lookOf = (pose: Pose, way = ''): readonly Cue[] => wayOf(pose, way)?.look ?? pose.look;

/** The stage that built heights make of a pose, most supported first. */
export function stageOf(
  pose: Pose,
  built: Readonly<Partial<Record<SlotKey, number>>>,
  way = '',
  over: ReadonlySet<SlotName> = NOTHING,
  restsOn: Surface | null = null,
  kneeBendDeg = 0,
): string {
  const standsAt = (slot: SlotName) => {
    let most = 0;
    for (const [key, cm] of Object.entries(built) as [SlotKey, number][])
      if (sidelessKey(key) === slot) most = Math.max(most, cm);
    return most;
  };
  const stages = stagesOf(pose, way);
  const stage = stages.find(
    ({ from, over: beyond, restsOn: on, kneeBentOver = -Infinity }) =>
      kneeBendDeg > kneeBentOver &&
      (on === undefined || on === restsOn) &&
      (beyond === undefined || over.has(beyond)) &&
      (from === undefined || standsAt(from.slot) >= from.cm),
  );
  return (stage ?? stages.at(-1))?.id ?? '';
}

/** Whether a slot is one that a pose's table names, with or without its side. */
export const comesDown = (pose: Pose | undefined, key: SlotKey) =>
  pose?.comesDown.includes(sidelessKey(key)) ?? false;
