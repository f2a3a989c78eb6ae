import type { SlotId } from '../slots';
import { allLines, cueAt, linesOf, type Cue, type Meets } from './cues';
import { poseById, poses, type Pose, type PoseId } from './poses';

const meeting =
  (how: Partial<Record<SlotId, Meets>>) =>
  (slot: SlotId): Meets =>
    how[slot] ?? 'bare';

test('a line is said as its support lies, and one within it as that one does', () => {
  const cues: Cue[] = [
    'Kneel.',
    cueAt('forehead', {
      on: 'Forehead on its support.',
      bare: cueAt('chest', { on: 'Cheek down.', bare: 'Forehead to the floor.' }),
      free: 'Forehead on the fists.',
    }),
    cueAt('seat', { on: 'Sit raised.', bare: 'Sit.' }),
    cueAt('ankle', { on: 'Ankles over the roll.' }),
  ];
  const said = (how: Partial<Record<SlotId, Meets>>) => linesOf(cues, meeting(how));
  expect(said({})).toEqual(['Kneel.', 'Forehead to the floor.', 'Sit.']);
  expect(said({ chest: 'on', seat: 'free' })).toEqual(['Kneel.', 'Cheek down.', 'Sit.']);
  expect(said({ forehead: 'free', seat: 'on', ankle: 'on' })).toEqual([
    'Kneel.',
    'Forehead on the fists.',
    'Sit raised.',
    'Ankles over the roll.',
  ]);
  expect(allLines(cues)).toHaveLength(8);
});

/** Every way in which a pose is entered, with what it builds there. */
const entriesOf = (
  pose: Pose,
): { name: string; entry: readonly Cue[]; slots: readonly SlotId[] }[] => {
  const answered = Object.entries(pose.entryIf ?? {}).map(([name, entry]) => ({
    name,
    entry,
    slots: pose.slots,
  }));
  const ways = (pose.ways ?? []).map(({ id, entry = pose.entry, slots = pose.slots }) => ({
    name: id,
    entry,
    slots,
  }));
  return ways.length > 0
    ? [...ways, ...answered]
    : [{ name: '', entry: pose.entry, slots: pose.slots }, ...answered];
};
const everyEntry = poses.flatMap((pose) =>
  entriesOf(pose).map((one) => [`${pose.id} ${one.name}`, { pose, ...one }] as const),
);

const NAMES_A_SUPPORT =
  /\b(supports?|ramp|bolster|blocks?|strap|platforms?|bricks?|blanket|pad|padded|pile|sit raised)\b/i;

/** A way that begins in another pose has what that pose is built of. */
const beginsIn: readonly (readonly [RegExp, PoseId])[] = [
  [/in Hero/, 'hero'],
  [/^From heron/, 'heron'],
  [/^From Low lunge/, 'low-lunge'],
  [/^From upright/, 'pigeon'],
];

test.each(everyEntry)(
  '%s: a line that names a support is said only where it lies',
  (_, { pose, entry }) => {
    const nothing = linesOf([...entry, ...pose.look], meeting({}));
    for (const line of nothing) expect(line).not.toMatch(NAMES_A_SUPPORT);
  },
);

test.each(everyEntry)('%s: whatever is built is spoken of', (_, { entry, slots }) => {
  const without = linesOf(entry, meeting({}));
  const begun = beginsIn.find(([line]) => without.some((one) => line.test(one)))?.[1];
  const before = linesOf(poseById(begun ?? '')?.entry ?? [], () => 'on').join(' ');
  const there = begun ? poseById(begun)!.slots : [];
  if (begun) expect(before).toMatch(NAMES_A_SUPPORT);
  for (const slot of slots.filter((one) => !there.includes(one)))
    expect([slot, linesOf(entry, meeting({ [slot]: 'on' }))]).not.toEqual([slot, without]);
});

test.each(poses.map((pose) => [pose.id, pose] as const))(
  '%s: a fault that names a support is looked for only where it lies',
  (_, { faults }) => {
    for (const { seen, onlyWith } of faults)
      if (/\b(supports|blanket|strap|bolster|ramp)\b/i.test(seen))
        expect([seen, onlyWith]).not.toEqual([seen, undefined]);
  },
);
