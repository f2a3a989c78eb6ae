import Printer from 'lucide-react-native/icons/printer';
import { tone } from './tones';
import { Press } from './Press';

/** Prints the place that is shown: it alone, whole, without what is pressed. */
export const Print = () => (
  <Press
    kind="quiet"
    className="px-3 print:hidden"
    aria-label="Print"
    icon={<Printer size={22} color={tone('thread')} aria-hidden />}
    onPress={() => window.print()}
  />
);
