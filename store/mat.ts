import { createSlice, type Action, type PayloadAction, type UnknownAction } from '@reduxjs/toolkit';
import { z } from '@/core/z';
import { recordIn } from '@/core/recordIn';
import { dayIds, type Day } from '@/core/learn/decide';
import type { DialSetting } from '@/core/dials';
import {
  dialSettingSchema,
  sessionPoseSchema,
  settledSchema,
  sideSchema,
} from '@/core/formats/book';
import type { TriedStep } from '@/core/learn/tried';
import { slotKey, type SlotRef } from '@/core/slots';

export const matSteps = ['build', 'enter', 'look', 'hold', 'feel'] as const;

/** A session under way: it survives a reload, and becomes a fact when it is recorded. */
export const matSchema = z.object({
  person: z.string(),
  startedAt: z.string(),
  /** How the student came: on a cold, tired or sore day supports stand a rung higher. */
  day: z.enum(dayIds).default('usual'),
  /** Poses in order, each with its side: `hero/both`. */
  poses: z.array(z.string()),
  /** Which one is on the mat. */
  at: z.number().int().min(0),
  step: z.enum(matSteps),
  /** What lies on the mat now, where it is not as planned. */
  settled: z.record(z.string(), z.array(settledSchema)),
  changes: z.record(
    z.string(),
    z.array(
      z.object({
        slot: z.string(),
        part: z.enum(['low', 'high']).optional(),
        side: sideSchema.optional(),
        fromCm: z.number(),
        toCm: z.number(),
        atSeconds: z.number(),
      }),
    ),
  ),
  faults: z.record(z.string(), z.array(z.string())),
  /** Where a pose was felt at first and was eased, by pose. */
  eased: z.record(z.string(), z.array(z.string())).default({}),
  /** Why a pose is built otherwise than advised. */
  whys: z.record(z.string(), z.string()).default({}),
  /** Steps that were tried, by pose, and poses in which nothing is to be tried any more. */
  trials: z.record(z.string(), sessionPoseSchema.shape.trials.unwrap()).default({}),
  untried: z.array(z.string()).default([]),
  /** Pieces that lie already, by pose. */
  ticked: z.record(z.string(), z.array(z.string())).default({}),
  /** Longer than planned by so much, for the pose that is held now. */
  moreSeconds: z.number().min(0).max(7200).default(0),
  /** What is set of a pose itself, where it is not as planned. */
  dials: z.record(z.string(), z.array(dialSettingSchema)).default({}),
  /** When the hold began, and seconds held before that. */
  holdingSince: z.string().nullable(),
  heldSeconds: z.number(),
  done: z.array(sessionPoseSchema),
  /** What had been answered with yes about health when this was planned. */
  answers: z.array(z.string()).optional(),
  /** What was answered since the session began, and what that ended, until somebody has read it. */
  news: z
    .object({
      changed: z.array(z.string()),
      /** Poses that were still to come and may no longer be done. */
      leftOut: z.array(z.string()),
      /** The pose that somebody was in and may no longer be. */
      outOf: z.string().nullable(),
    })
    .nullable()
    .default(null),
});
export type Mat = z.infer<typeof matSchema>;

/** A mat that a closed window left, with the name of the draft that it lies in. */
export interface LeftMat {
  readonly draft: string;
  readonly mat: Mat;
}
export type MatStep = Mat['step'];
export type Settled = z.infer<typeof settledSchema>;

/** A pose as it was laid out on its page, and how far each support went from the plan. */
const laidPoseSchema = z.object({
  settled: z.array(settledSchema),
  dials: z.array(dialSettingSchema),
  changes: matSchema.shape.changes.valueType,
  /** Why, in the teacher's words. */
  why: z.string().max(4000).optional(),
});
export type LaidPose = z.infer<typeof laidPoseSchema>;
/** What was laid out for students before their next session: poses with pieces of their own, an order of poses. */
export const laidSchema = z.record(
  z.string(),
  z.object({
    at: z.string(),
    poses: z.record(z.string(), laidPoseSchema),
    order: z.array(z.string()).optional(),
  }),
);
export type Laid = z.infer<typeof laidSchema>[string];

export const parkedSchema = z.record(z.string(), matSchema);

/** How students come, as said before a session, with the local day on which it holds. */
export const cameSchema = z.record(z.string(), z.object({ on: z.string(), day: z.enum(dayIds) }));

/** The pose after this one, not begun. */
const nextPose = ({ at }: Mat) => ({
  at: at + 1,
  step: 'build',
  holdingSince: null,
  heldSeconds: 0,
  moreSeconds: 0,
});

export const matSlice = createSlice({
  name: 'mat',
  initialState: {
    now: null as Mat | null,
    came: {} as z.infer<typeof cameSchema>,
    laid: {} as z.infer<typeof laidSchema>,
    /** Mats of students who practise beside the one on the screen: their timers run on. */
    parked: {} as z.infer<typeof parkedSchema>,
    /** Mats that closed windows left, until somebody goes on with them or lays them aside. */
    left: [] as readonly LeftMat[],
    /** Each mat as it was before each of its last steps, until the page goes. */
    past: {} as Record<string, Mat[]>,
  },
  reducers: {
    cameRestored: (state, { payload }: PayloadAction<z.infer<typeof cameSchema>>) => {
      state.came = payload;
    },
    laidRestored: (state, { payload }: PayloadAction<z.infer<typeof laidSchema>>) => {
      state.laid = payload;
    },
    /** A pose is built and set otherwise than planned the next time. */
    poseLaid: (
      { laid },
      {
        payload: { person, at, pose, ...of },
      }: PayloadAction<LaidPose & { person: string; at: string; pose: string }>,
    ) => {
      const before = recordIn(laid, person);
      laid[person] = { ...before, at, poses: { ...before?.poses, [pose]: of } };
    },
    /** As planned, after all. */
    poseTakenBack: ({ laid }, { payload }: PayloadAction<{ person: string; pose: string }>) => {
      delete recordIn(laid, payload.person)?.poses[payload.pose];
    },
    /** An order of poses for the next session of several students. */
    orderLaid: (
      { laid },
      { payload }: PayloadAction<{ people: readonly string[]; at: string; order: string[] }>,
    ) => {
      for (const person of payload.people)
        laid[person] = {
          poses: {},
          ...recordIn(laid, person),
          at: payload.at,
          order: payload.order,
        };
    },
    orderTakenBack: ({ laid }, { payload }: PayloadAction<string>) => {
      delete recordIn(laid, payload)?.order;
    },
    /** Said before a session begins; forgotten the next day. */
    daySaid: ({ came }, { payload }: PayloadAction<{ person: string; on: string; day: Day }>) => {
      came[payload.person] = { on: payload.on, day: payload.day };
    },
    matStarted: (
      state,
      {
        payload,
      }: PayloadAction<{
        person: string;
        poses: string[];
        at: string;
        day?: Day;
        settled?: Record<string, Settled[]>;
        answers?: string[];
      }>,
    ) => {
      const laid = Object.entries(recordIn(state.laid, payload.person)?.poses ?? {}).filter(
        ([pose]) => payload.poses.includes(pose),
      );
      const ofLaid = <K extends keyof LaidPose>(what: K): Record<string, LaidPose[K]> =>
        Object.fromEntries(laid.map(([pose, one]) => [pose, one[what]]));
      delete state.laid[payload.person];
      // Who is on a mat already goes on beside.
      if (state.now && state.now.person !== payload.person)
        state.parked[state.now.person] = state.now;
      state.now = {
        person: payload.person,
        startedAt: payload.at,
        day: payload.day ?? 'usual',
        poses: payload.poses,
        at: 0,
        step: 'build',
        settled: { ...payload.settled, ...ofLaid('settled') },
        changes: ofLaid('changes'),
        faults: {},
        eased: {},
        whys: Object.fromEntries(laid.flatMap(([pose, { why }]) => (why ? [[pose, why]] : []))),
        trials: {},
        untried: [],
        ticked: {},
        moreSeconds: 0,
        dials: ofLaid('dials'),
        holdingSince: null,
        heldSeconds: 0,
        done: [],
        ...(payload.answers ? { answers: payload.answers } : {}),
        news: null,
      };
    },
    /** What is answered about health, where the mat did not know yet. */
    answersKnown: ({ now }, { payload }: PayloadAction<string[]>) => {
      if (now) now.answers = payload;
    },
    /** Something about health was answered meanwhile: what is still to come is as it is planned now. */
    matReconsidered: (
      { now },
      {
        payload: { answers, changed, poses, leftOut, outOf, isAlike },
      }: PayloadAction<{
        answers: string[];
        changed: string[];
        poses: string[];
        leftOut: string[];
        outOf: string | null;
        /** The pose on the mat is built as before: nobody needs to come out of it. */
        isAlike: boolean;
      }>,
    ) => {
      if (!now) return;
      const before = now.news;
      now.answers = answers;
      now.news = {
        changed: [...(before?.changed ?? []), ...changed],
        leftOut: [...new Set([...(before?.leftOut ?? []), ...leftOut])],
        outOf: outOf ?? before?.outOf ?? null,
      };
      for (const key of now.poses.slice(isAlike ? now.at + 1 : now.at))
        for (const laid of [now.settled, now.changes, now.dials, now.ticked, now.trials])
          delete laid[key];
      now.poses = [...now.poses.slice(0, now.at), ...poses];
      if (!isAlike)
        Object.assign(now, { step: 'build', holdingSince: null, heldSeconds: 0, moreSeconds: 0 });
    },
    newsRead: ({ now }) => {
      if (now) now.news = null;
    },
    /** Turns to the mat of another student; this one goes on beside it. */
    matTaken: (state, { payload: person }: PayloadAction<string>) => {
      const other = recordIn(state.parked, person);
      if (!other) return;
      delete state.parked[person];
      if (state.now) state.parked[state.now.person] = state.now;
      state.now = other;
    },
    /** Takes back the last step on the mat. */
    stepUndone: (state) => {
      const before = state.now && state.past[state.now.person]?.pop();
      if (before) state.now = before;
    },
    matRestored: (
      state,
      {
        payload: { now, parked },
      }: PayloadAction<{ now: Mat | null; parked: z.infer<typeof parkedSchema> }>,
    ) => {
      state.now = now;
      state.parked = parked;
      // Nobody is on two mats.
      if (now) delete state.parked[now.person];
    },
    matsLeft: (state, { payload }: PayloadAction<readonly LeftMat[]>) => {
      state.left = payload as LeftMat[];
    },
    /** A mat that a closed window left goes on here; whoever is on the screen goes on beside. */
    leftTaken: (state, { payload: mat }: PayloadAction<Mat>) => {
      if (state.now && state.now.person !== mat.person) state.parked[state.now.person] = state.now;
      delete state.parked[mat.person];
      state.now = mat;
    },
    stepTaken: ({ now }, { payload }: PayloadAction<MatStep>) => {
      if (now) now.step = payload;
    },
    /** A slot was moved by a rung; `atSeconds` is the time into the hold. */
    rungMoved: (
      { now },
      {
        payload,
      }: PayloadAction<{
        pose: string;
        settled: Settled[];
        slot: SlotRef;
        fromCm: number;
        toCm: number;
        atSeconds: number;
      }>,
    ) => {
      if (!now) return;
      now.settled[payload.pose] = payload.settled;
      (now.changes[payload.pose] ??= []).push({
        ...payload.slot,
        fromCm: payload.fromCm,
        toCm: payload.toCm,
        atSeconds: payload.atSeconds,
      });
    },
    /**
     * A step was tried for a few breaths: whether it spoke, and what lies there next. One that the teacher went to of
     * their own is tried like any other: it was heard, and no height was chosen against the advice.
     */
    stepTried: (
      { now },
      {
        payload: { pose, trial, settled },
      }: PayloadAction<{ pose: string; trial: TriedStep; settled: Settled[] }>,
    ) => {
      if (!now) return;
      (now.trials[pose] ??= []).push(trial);
      now.settled[pose] = settled;
      const changes = now.changes[pose];
      if (changes)
        now.changes[pose] = changes.filter((one) => slotKey(one as SlotRef) !== slotKey(trial));
    },
    /** Where the step that was tried last spoke. */
    trialFelt: (
      { now },
      { payload: { pose, spot } }: PayloadAction<{ pose: string; spot: string }>,
    ) => {
      const last = now?.trials[pose]?.at(-1);
      if (last) last.spot = spot;
    },
    /** Nothing is tried in a pose, or nothing more. */
    tryingEnded: ({ now }, { payload: pose }: PayloadAction<string>) => {
      if (now && !now.untried.includes(pose)) now.untried.push(pose);
    },
    /** Something was set of the pose itself; what fills a gap follows. */
    dialTurned: (
      { now },
      {
        payload,
      }: PayloadAction<{ pose: string; dials: readonly DialSetting[]; settled: Settled[] }>,
    ) => {
      if (!now) return;
      now.dials[payload.pose] = [...payload.dials];
      now.settled[payload.pose] = payload.settled;
    },
    /** Other pieces for about the same height: nothing is learned from it but what lies there. */
    piecesSwapped: ({ now }, { payload }: PayloadAction<{ pose: string; settled: Settled[] }>) => {
      if (now) now.settled[payload.pose] = payload.settled;
    },
    faultToggled: ({ now }, { payload }: PayloadAction<{ pose: string; fault: string }>) => {
      if (!now) return;
      const seen = now.faults[payload.pose] ?? [];
      now.faults[payload.pose] = seen.includes(payload.fault)
        ? seen.filter((one) => one !== payload.fault)
        : [...seen, payload.fault];
    },
    /** Something felt was eased; it may come back, and is noted once. */
    spotEased: ({ now }, { payload }: PayloadAction<{ pose: string; spot: string }>) => {
      if (!now) return;
      const before = now.eased[payload.pose] ?? [];
      now.eased[payload.pose] = [...before.filter((one) => one !== payload.spot), payload.spot];
    },
    pieceTicked: (
      { now },
      { payload }: PayloadAction<{ pose: string; pieces: readonly string[]; lies: boolean }>,
    ) => {
      if (!now) return;
      const left = (now.ticked[payload.pose] ?? []).filter((one) => !payload.pieces.includes(one));
      now.ticked[payload.pose] = payload.lies ? [...left, ...payload.pieces] : left;
    },
    /** The hold goes on longer than was planned. */
    holdLengthened: ({ now }, { payload }: PayloadAction<number>) => {
      if (now) now.moreSeconds += payload;
    },
    holdStarted: ({ now }, { payload }: PayloadAction<string>) => {
      if (now) now.holdingSince = payload;
    },
    holdPaused: ({ now }, { payload }: PayloadAction<string>) => {
      if (!now?.holdingSince) return;
      now.heldSeconds += Math.max(0, (Date.parse(payload) - Date.parse(now.holdingSince)) / 1000);
      now.holdingSince = null;
    },
    poseDone: ({ now }, { payload }: PayloadAction<Mat['done'][number]>) => {
      // Said twice in a hurry, it is the pose on the mat once, and never the next one.
      if (!now || now.poses[now.at] !== `${payload.pose}/${payload.side}`) return;
      now.done.push(payload);
      Object.assign(now, nextPose(now));
    },
    /** What was done is done once more, before what comes. */
    poseAgain: ({ now }, { payload: place }: PayloadAction<string>) => {
      now?.poses.splice(now.at, 0, place);
    },
    /** What was said of what is done already, when it was asked at the end; what is left out was not done. */
    doneSaid: ({ now }, { payload }: PayloadAction<Mat['done']>) => {
      if (now) now.done = payload;
    },
    poseSkipped: ({ now }) => {
      if (now) Object.assign(now, nextPose(now));
    },
    matCleared: (state) => {
      state.now = null;
    },
  },
});

/** A hold may run so much longer than planned before it counts as left running. */
const LEFT_RUNNING_SECONDS = 600;
/** The longest hold that a record can hold. */
export const MOST_HELD_SECONDS = 7200;
export const leftRunning = (held: number, planned: number) => held > planned + LEFT_RUNNING_SECONDS;

export const {
  cameRestored,
  laidRestored,
  poseLaid,
  poseTakenBack,
  orderLaid,
  orderTakenBack,
  daySaid,
  matStarted,
  matRestored,
  matsLeft,
  leftTaken,
  answersKnown,
  matReconsidered,
  newsRead,
  stepTaken,
  stepUndone,
  matTaken,
  rungMoved,
  stepTried,
  trialFelt,
  tryingEnded,
  dialTurned,
  piecesSwapped,
  faultToggled,
  spotEased,
  pieceTicked,
  holdLengthened,
  holdStarted,
  holdPaused,
  poseDone,
  poseSkipped,
  poseAgain,
  doneSaid,
  matCleared,
} = matSlice.actions;

/** What can be taken back step by step; the timer is not among it. */
const steps: ReadonlySet<string> = new Set(
  [
    stepTaken,
    rungMoved,
    stepTried,
    trialFelt,
    tryingEnded,
    dialTurned,
    piecesSwapped,
    faultToggled,
    spotEased,
    pieceTicked,
    holdLengthened,
    poseDone,
    poseSkipped,
  ].map(({ type }) => type),
);
const MOST_STEPS_BACK = 20;

type MatState = ReturnType<typeof matSlice.getInitialState>;

/** The mat, with what it was before each of the last steps. */
function withPast(state: MatState | undefined, action: UnknownAction): MatState {
  const next = matSlice.reducer(state, action);
  const before = state?.now;
  if (!before || next.now === before || next.past !== state.past) return next;
  const { [before.person]: own = [], ...others } = state.past;
  const goesOn = next.now?.startedAt === before.startedAt || recordIn(next.parked, before.person);
  if (!goesOn) return { ...next, past: others };
  return steps.has(action.type)
    ? { ...next, past: { ...others, [before.person]: [...own, before].slice(-MOST_STEPS_BACK) } }
    : next;
}

/** What is done on the mat of one student, whether it is the one on the screen or lies beside it. */
export const onMatOf = <A extends Action>(person: string, action: A) => ({
  ...action,
  meta: { person },
});
const personIn = (action: UnknownAction) =>
  (action.meta as { person?: string } | undefined)?.person ?? null;

export const matReducer = (state: MatState | undefined, action: UnknownAction): MatState => {
  const person = personIn(action);
  if (!state || person === null || state.now?.person === person) return withPast(state, action);
  const beside = recordIn(state.parked, person);
  if (!beside) return state;
  // Turned to for this one step; the mat on the screen stays as it is.
  const turned = withPast({ ...state, now: beside }, action);
  const { [person]: _, ...others } = turned.parked;
  return {
    ...turned,
    now: state.now,
    parked: turned.now ? { ...others, [person]: turned.now } : others,
  };
};

/** The mat of a student, on the screen or beside. */
export const matOf = ({ now, parked }: Pick<MatState, 'now' | 'parked'>, person: string) =>
  now?.person === person ? now : recordIn(parked, person);

/** The id of the session that a mat becomes: ended twice, it is recorded once. */
export const sessionIdOf = ({ startedAt, person }: Pick<Mat, 'startedAt' | 'person'>) =>
  `s-${Date.parse(startedAt).toString(36)}-${person.slice(0, 80)}`;

/** Whole seconds held so far. */
/** Whether the timer ran at all: who counts breaths never begins it. */
export const wasTimed = ({
  heldSeconds: held,
  holdingSince,
}: Pick<Mat, 'heldSeconds' | 'holdingSince'>) => held > 0 || holdingSince !== null;
export const heldSeconds = (mat: Pick<Mat, 'heldSeconds' | 'holdingSince'>, now: string) =>
  Math.floor(
    mat.heldSeconds +
      (mat.holdingSince === null
        ? 0
        : Math.max(0, (Date.parse(now) - Date.parse(mat.holdingSince)) / 1000)),
  );
