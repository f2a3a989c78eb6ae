import { View } from 'react-native';
import type { How } from '@/core/advise/how';
import { placeKey } from '@/core/advise/order';
import type { PoseFault } from '@/core/poses/pose';
import { faultToggled } from '@/store/mat';
import { selectShelf } from '@/store/selectors';
import { Press, Tick } from '@/ui/Press';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { useOjas, useUnits } from '../hooks';
import { doMend, mendOf, mendWords, type OnTheMat } from './mend';
import { useMatDispatch } from './place';

/** What to look at, and what may be seen, each with what mends it: one tap does it, and figure and build follow. */
export function Look({ how, ...of }: OnTheMat & { readonly how: How }) {
  const { planned, mat } = of;
  return (
    <>
      <Sheet>
        <Title level={2}>Look</Title>
        {how.look.map((cue) => (
          <Words key={cue} className="text-lg">
            {cue}
          </Words>
        ))}
      </Sheet>
      <Sheet>
        <Title level={2}>Seen anything of this?</Title>
        {how.faults.map((fault) => (
          <Fault
            key={fault.id}
            {...of}
            fault={fault}
            isSeen={(mat.faults[placeKey(planned)] ?? []).includes(fault.id)}
          />
        ))}
      </Sheet>
    </>
  );
}

function Fault({
  fault,
  isSeen,
  ...of
}: OnTheMat & { readonly fault: PoseFault; readonly isSeen: boolean }) {
  const { planned } = of;
  const dispatch = useMatDispatch();
  const shelf = useOjas(selectShelf);
  const units = useUnits();
  const pose = placeKey(planned);
  const mend = isSeen ? mendOf(fault, of) : null;
  return (
    <View>
      <Tick checked={isSeen} onToggle={() => dispatch(faultToggled({ pose, fault: fault.id }))}>
        {fault.seen}
      </Tick>
      {mend ? (
        <View className="gap-1 pl-9">
          <Words className="font-semibold text-rust">{mendWords(fault, mend, shelf, units)}</Words>
          {mend.does === 'nothing' ? null : (
            <Press
              className="self-start"
              aria-label={`Do it: ${fault.seen}`}
              onPress={() => doMend(mend, of, dispatch)}
            >
              Do it
            </Press>
          )}
        </View>
      ) : null}
    </View>
  );
}
