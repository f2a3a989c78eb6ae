import { Text, View } from 'react-native';
export default function Home() { return <View className="bg-paper p-4"><Text className="text-ink">Ojas</Text></View>; }
