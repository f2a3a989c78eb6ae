import { wordsIn } from '@/ui/words/words';
import { poses, type Pose } from '@/core/poses/poses';
import type { ReadingSide } from '@/core/ranges/ranges';
import { cautions, type Caution } from '@/core/safety/cautions';
import { verdictOn, type Verdict } from '@/core/safety/verdict';

/** What one answer of "yes" does to one pose, as short as a table's cell. */
function cell({ status, instead, changes }: Verdict): string {
  if (status === 'instead') return `→ ${instead}`;
  if (status === 'forbidden') return '✗';
  const words = [...changes].sort().join(', ');
  return status === 'ask-first' ? `ask first${words ? `; ${words}` : ''}` : words;
}

/** The cell of a pose; where it works one side at a time and the sore side is known, each way if they differ. */
function outcome({ id, sided }: Caution, pose: Pose): string {
  const sore = (side: ReadingSide) =>
    cell(
      verdictOn(pose, pose.sides === 'each' ? 'left' : 'both', [
        { id, side, answer: 'yes', at: '2026-01-01' },
      ]),
    );
  if (!sided || pose.sides === 'both') return sore('both');
  const [working, other] = [sore('left'), sore('right')];
  return working === other
    ? working
    : `sore side works: ${working || 'as it is'}; other side works: ${other || 'as it is'}`;
}

/** Every caution on every pose: docs/cautions.md, made from what the program itself asks. */
export function cautionsText(): string {
  const sections = cautions.map((caution) => {
    const { name, question, refer } = wordsIn('cm').caution(caution.id);
    const rows = poses.map((pose) => `| ${pose.name} | ${outcome(caution, pose)} |`);
    return [
      `## ${name}`,
      '',
      `*${question}* — ${refer}`,
      '',
      '| pose | what a “yes” does |',
      '|---|---|',
      ...rows,
    ].join('\n');
  });
  return [
    '# Cautions, pose by pose',
    '',
    'Made by `npm run make:cautions` from `core/safety/cautions.ts`. Not medical advice: it supports a trained teacher, and defers to the student’s doctor or physiotherapist and to local rules of practice.',
    '',
    '✗ forbidden · → another pose instead · ask first: only with a written go-ahead, noted with its date · anything else is a named change · an empty cell: offered as it is.',
    '',
    ...sections.flatMap((section) => [section, '']),
  ].join('\n');
}
