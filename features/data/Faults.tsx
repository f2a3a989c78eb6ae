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
