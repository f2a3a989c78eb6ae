import { Link } from 'expo-router';
import { View } from 'react-native';
import { selectSettings } from '@/store/selectors';
import { Chips, Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Aside, Title, Words } from '@/ui/Words';
import { useOjas, useSet } from '../hooks';

const units = [
  { id: 'cm', words: 'Centimetres' },
  { id: 'in', words: 'Inches' },
] as const;
const themes = [
  { id: 'system', words: 'As the device' },
  { id: 'light', words: 'Light' },
  { id: 'dark', words: 'Dark' },
] as const;

/** Data, settings, and how it all is reckoned. */
export function MoreScreen() {
  const settings = useOjas(selectSettings);
  const set = useSet();
  return (
    <Screen title="More">
      <Sheet>
        <Title level={2}>Data</Title>
        <Words>Save your records as a backup, or restore one from a file.</Words>
        <Link href="/more/data" asChild>
          <Press>Backup, import, export</Press>
        </Link>
      </Sheet>
      <Sheet>
        <Title level={2}>Help</Title>
        <Words>What to do when, what the words mean, and how to report something.</Words>
        <Link href={'/more/help' as '/more'} asChild>
          <Press>Help and words</Press>
        </Link>
      </Sheet>
      <Sheet>
        <Title level={2}>How it reckons</Title>
        <Words>The numbers behind the heights, each with where it comes from.</Words>
        <Link href="/more/reckoning" asChild>
          <Press>Read how it reckons</Press>
        </Link>
        <Link href="/more/protocols" asChild>
          <Press>How each range is read</Press>
        </Link>
        <Link href="/more/drawings" asChild>
          <Press>Five bodies in every pose</Press>
        </Link>
      </Sheet>
      <Sheet>
        <Title level={2}>Settings</Title>
        <View className="gap-1">
          <Words>Lengths in</Words>
          <Chips
            label="Lengths in"
            options={units}
            chosen={settings.units}
            onChoose={(choice) =>
              set(
                { units: choice },
                choice === 'cm' ? 'Lengths in centimetres' : 'Lengths in inches',
              )
            }
          />
        </View>
        <View className="gap-1">
          <Words>Light or dark</Words>
          <Chips
            label="Light or dark"
            options={themes}
            chosen={settings.theme}
            onChoose={(choice) =>
              set({ theme: choice }, `Shown ${choice === 'system' ? 'as the device is' : choice}`)
            }
          />
        </View>
      </Sheet>
      <Aside>
        Ojas supports a trained teacher. It is not medical advice, and defers to doctors,
        physiotherapists and local rules of practice. Everything stays on this device.
      </Aside>
    </Screen>
  );
}
