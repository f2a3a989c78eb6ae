import type { Person, Session } from '../formats/book';
import { poseById, type PoseId } from '../poses/poses';
import type { CautionId } from '../safety/ids';
import { verdictOn } from '../safety/verdict';

/** Why a session cannot have been somebody's. */
export type NotTheirs =
  | { readonly of: 'not-born'; readonly year: number }
  | { readonly of: 'refused'; readonly pose: PoseId; readonly caution: CautionId };

/**
 * What speaks against a session having been a student's: a day before their birth, a pose that a caution keeps them
 * from; null where nothing does.
 */
export function notTheirs(
  { at, poses }: Pick<Session, 'at' | 'poses'>,
  { birthYear, cautions }: Pick<Person, 'birthYear' | 'cautions'>,
): NotTheirs | null {
  if (birthYear !== undefined && Number(at.slice(0, 4)) < birthYear)
    return { of: 'not-born', year: birthYear };
  for (const { pose: id, side } of poses) {
    const pose = poseById(id);
    if (!pose) continue;
    const { status, reasons } = verdictOn(pose, side, cautions);
    if (status !== 'forbidden' && status !== 'instead') continue;
    const because = reasons.find((one) => one.code === 'caution');
    if (because?.code === 'caution')
      return { of: 'refused', pose: pose.id, caution: because.caution };
  }
  return null;
}
