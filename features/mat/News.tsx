import { firstName } from '@/ui/firstName';
import type { Plan } from '@/core/formats/plan';
import { poseIdAt } from '@/core/advise/order';
import { poseById } from '@/core/poses/poses';
import { effectOf } from '@/core/safety/cautions';
import { newsRead, type Mat } from '@/store/mat';
import { Press } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useWords } from '../hooks';
import { poseName } from '../plan/words';
import { useMatDispatch } from './place';
import { readAnswer } from './reconsider';

interface NewsProps {
  readonly name: string;
  readonly mat: Mat;
  readonly plan: Plan;
}

/**
 * What was answered about health since the session began, and what that ends and changes, until somebody has read it.
 */
export function News({ name, mat, plan }: NewsProps) {
  const onMat = useMatDispatch();
  const say = useWords();
  if (!mat.news) return null;
  const { changed, leftOut, outOf } = mat.news;
  const answered = new Set(changed.map((one) => readAnswer(one.slice(1)).id));
  /** What the new answers say of a pose: why it is left out, or what they change in it. */
  const why = (pose: string, isLeftOut: boolean) =>
    [
      ...new Set(
        plan.poses
          .filter((one) => one.pose === pose)
          .flatMap(({ reasons }) => reasons)
          .filter(
            (one) =>
              one.code === 'caution' &&
              answered.has(one.caution) &&
              (effectOf(one.caution, one.rule) !== 'change') === isLeftOut,
          )
          .map((one) => say.reason(one)),
      ),
    ].join(' ');
  const changedPoses = [...new Set(mat.poses.slice(mat.at).map(poseIdAt))].filter(
    (pose) => why(pose, false) !== '',
  );
  const exit = outOf === null ? [] : (poseById(outOf)?.exit ?? []);
  return (
    <Sheet className="border-2 border-rust" role="alert" aria-label="Answered since it began">
      <Title level={2}>Answered since this session began</Title>
      {changed.map((one) => (
        <Words key={one} className="font-semibold">
          {answerWords(one, say.caution(readAnswer(one.slice(1)).id).name)}
        </Words>
      ))}
      {outOf === null ? null : (
        <>
          <Words className="font-semibold text-rust">
            {`Help ${firstName(name)} out of ${poseName(outOf)} now:`}
          </Words>
          {exit.map((line) => (
            <Words key={line}>{line}</Words>
          ))}
        </>
      )}
      {leftOut.map((pose) => (
        <Words key={pose}>
          <Words className="font-semibold">{poseName(pose)} is left out. </Words>
          {why(pose, true)}
        </Words>
      ))}
      {changedPoses.map((pose) => (
        <Words key={pose}>
          <Words className="font-semibold">{poseName(pose)} is changed. </Words>
          {why(pose, false)}
        </Words>
      ))}
      <Words>
        What is still to come is laid out anew: look at each build again before it is entered.
      </Words>
      <Press onPress={() => onMat(newsRead())}>Understood</Press>
    </Sheet>
  );
}

/** An answer that came or went: "Torn meniscus, left: yes". */
function answerWords(change: string, name: string): string {
  const { side, hasGoAhead } = readAnswer(change.slice(1));
  const what = `${name}${side && side !== 'both' ? `, ${side}` : ''}`;
  if (change.startsWith('-')) return `${what}: no longer so`;
  return `${what}: yes${hasGoAhead ? ', with a written go-ahead' : ''}`;
}
