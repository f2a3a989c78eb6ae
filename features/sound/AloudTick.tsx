import { selectSettings } from '@/store/selectors';
import { Tick } from '@/ui/Press';
import { useOjas, useSet } from '../hooks';

/** Whether what is to be said is said aloud, kept for the next time. */
export function AloudTick({ children }: { readonly children: string }) {
  const aloud = useOjas(selectSettings).cuesAloud ?? false;
  const set = useSet();
  return (
    <Tick
      checked={aloud}
      onToggle={() =>
        set({ cuesAloud: !aloud }, aloud ? 'Cues are shown alone' : 'Cues are said aloud')
      }
    >
      {children}
    </Tick>
  );
}
