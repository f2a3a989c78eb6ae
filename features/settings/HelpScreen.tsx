import { View } from 'react-native';
import { saveReport } from '../data/saveReport';
import { useOjasDispatch } from '../hooks';
import { Press } from '@/ui/Press';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Title, Words } from '@/ui/Words';
import { answers, glossary } from './glossary';

/** What to do when, what each word means, and how something amiss is reported. */
export function HelpScreen() {
  const dispatch = useOjasDispatch();
  return (
    <Screen title="Help">
      <Sheet>
        <Title level={2}>What to do when</Title>
        {answers.map(({ asks, says }) => (
          <View key={asks} className="gap-1 border-t border-line pt-2">
            <Title level={3}>{asks}</Title>
            <Words>{says}</Words>
          </View>
        ))}
      </Sheet>
      <Sheet>
        <Title level={2}>What the words mean</Title>
        {glossary.map(({ word, means }) => (
          <View key={word} className="gap-1 border-t border-line pt-2">
            <Title level={3}>{word}</Title>
            <Words>{means}</Words>
          </View>
        ))}
      </Sheet>
      <Sheet>
        <Title level={2}>To report something</Title>
        <Words>
          Tell whoever gave you Ojas what you did, what you saw and what you expected. The file
          below says which version and browser it was and how much is recorded: no name, no reading,
          no answer about health is in it.
        </Words>
        <Press className="self-start" onPress={() => dispatch(saveReport())}>
          Save a report
        </Press>
      </Sheet>
    </Screen>
  );
}
