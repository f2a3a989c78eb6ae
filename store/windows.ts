import { matSchema, sessionIdOf, type LeftMat, type Mat } from './mat';

/** What windows of this browser have on their mats, and what is left of those that were closed. */
export interface Windows {
  /** This window's own. */
  readonly now: Mat | null;
  readonly parked: Readonly<Record<string, Mat>>;
  /** All that closed windows left. */
  readonly left: readonly LeftMat[];
  /** Students on mats of other windows that live. */
  readonly elsewhere: readonly string[];
  /** Names of drafts in which nothing is that could go on. */
  readonly spent: readonly string[];
  /** Mats that this version cannot go on with. */
  readonly unread: readonly { readonly draft: string; readonly text: string }[];
}

export const MAT = 'mat';
export const PARKED = 'parked';

/**
 * The window that a draft of a mat is of; empty for one of the time before windows had names; null for other drafts.
 */
function windowOf(draft: string): string | null {
  for (const kind of [MAT, PARKED]) {
    if (draft === kind) return '';
    if (draft.startsWith(`${kind}/`)) return draft.slice(kind.length + 1);
  }
  return null;
}

/** The mats that a draft holds, each as it was kept: one, or several by their students. */
const matsIn = (draft: string, kept: unknown): readonly unknown[] =>
  draft.startsWith(PARKED)
    ? typeof kept === 'object' && kept !== null
      ? Object.values(kept)
      : []
    : kept === null
      ? []
      : [kept];

/**
 * Sorts the drafts of mats by the windows that they are of.
 *
 * @param drafts All drafts by their names.
 * @param own This window's name.
 * @param alive Names of windows that live.
 * @param isRecorded Whether a session of this id is recorded: its mat has ended.
 */
export function windowsOf(
  drafts: ReadonlyMap<string, unknown>,
  own: string,
  alive: ReadonlySet<string>,
  isRecorded: (sessionId: string) => boolean,
): Windows {
  const left: LeftMat[] = [];
  const elsewhere: string[] = [];
  const spent: string[] = [];
  const unread: { draft: string; text: string }[] = [];
  let now: Mat | null = null;
  const parked: Record<string, Mat> = {};
  for (const [draft, kept] of drafts) {
    const window = windowOf(draft);
    if (window === null) continue;
    const read = matsIn(draft, kept).map((one) => ({ one, read: matSchema.safeParse(one) }));
    const mats = read.flatMap((one) =>
      one.read.success && !isRecorded(sessionIdOf(one.read.data)) ? [one.read.data] : [],
    );
    if (window !== own && alive.has(window)) {
      elsewhere.push(...mats.map(({ person }) => person));
      continue;
    }
    unread.push(
      ...read.flatMap(({ one, read: { success } }) =>
        success ? [] : [{ draft, text: JSON.stringify(one) }],
      ),
    );
    if (mats.length === 0) spent.push(draft);
    else if (window !== own) left.push(...mats.map((mat) => ({ draft, mat })));
    else if (draft.startsWith(PARKED)) for (const mat of mats) parked[mat.person] = mat;
    else now = mats[0] as Mat;
  }
  return { now, parked, left, elsewhere, spent, unread };
}
