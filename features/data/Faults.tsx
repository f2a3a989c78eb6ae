import { Words } from '@/ui/Words';
import type { ToldFault } from '@/ui/words/words';
import { useFirst } from './useFirst';

/** What is wrong in a file, the first of it, and the rest on asking. */
export function Faults({ faults }: { readonly faults: readonly ToldFault[] }) {
  const { shown, rest } = useFirst(faults);
  return (
    <>
      {shown.map(({ path, words }) => (
        <Words key={path + words}>
          <Words className="font-semibold">{path}: </Words>
          {words}
        </Words>
      ))}
      {rest}
    </>
  );
}

interface RefusedProps {
  readonly file: string;
  readonly faults: readonly ToldFault[];
}

/** A file that was not taken in, with why. */
export const Refused = ({ file, faults }: RefusedProps) => (
  <>
    <Words className="font-semibold text-rust">
      {file} was not taken in; nothing stored has changed.
    </Words>
    <Faults faults={faults} />
  </>
);
