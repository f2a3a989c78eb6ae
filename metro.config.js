const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

/**
 * Parts of packages that come along with what is used of them and that the app never reaches; each weighs on the first
 * load. They are left out of what is built, which is what the end-to-end tests run: one that comes to be needed fails
 * where it is first used. While developing all parts are there, for the tools that come with it use some.
 */
const leftOut = [
  // The validator's forty locales, its writer and reader of JSON Schema, and its compiler.
  /[\\/]zod[\\/]v4[\\/]locales[\\/]index\.js$/,
  /[\\/]zod[\\/]v4[\\/]core[\\/](json-schema-processors|compile)\.js$/,
  /[\\/]zod[\\/]v4[\\/]classic[\\/]from-json-schema\.js$/,
  // The router's stacks, tabs, previews and site map: the shell shows places in a slot of its own.
  /[\\/]expo-router[\\/]build[\\/]layouts[\\/](stack-utils[\\/]toolbar|experimental-stack|Tabs|TabsClient|Drawer)/,
  /[\\/]expo-router[\\/]build[\\/]react-navigation[\\/](bottom-tabs|native-stack[\\/]views|elements)[\\/]/,
  /[\\/]expo-router[\\/]build[\\/](native-tabs|toolbar|color)[\\/]/,
  /[\\/]expo-router[\\/]build[\\/]views[\\/]Sitemap/,
  // Lists, animations and touchables of the web's React Native: nothing here scrolls by windows or moves by itself.
  /[\\/]react-native-web[\\/]dist[\\/]vendor[\\/]react-native[\\/](Animated|VirtualizedList|VirtualizedSectionList|FlatList|SectionList|FillRateHelper|ViewabilityHelper|VirtualizeUtils|PanResponder)[\\/]/,
  /[\\/]react-native-web[\\/]dist[\\/]exports[\\/](Animated|FlatList|SectionList|VirtualizedList|TouchableHighlight|TouchableOpacity|TouchableNativeFeedback|CheckBox|Switch|ProgressBar|Modal|Button|Picker|PanResponder|ImageBackground|KeyboardAvoidingView|RefreshControl)[\\/]/,
  // Drawings come from code, never from text.
  /[\\/]react-native-svg[\\/]lib[\\/]module[\\/](xml|xmlTags|deprecated)\.js$/,
];

const { resolveRequest } = config.resolver;
const find = (context, name, platform) =>
  (resolveRequest ?? context.resolveRequest)(context, name, platform);

config.resolver.resolveRequest = (context, name, platform) => {
  if (context.dev || platform !== 'web') return find(context, name, platform);
  if (name === 'react-native-screens')
    return { type: 'sourceFile', filePath: join(__dirname, 'scripts', 'web', 'noScreens.js') };
  const found = find(context, name, platform);
  return found.type === 'sourceFile' && leftOut.some((part) => part.test(found.filePath))
    ? { type: 'empty' }
    : found;
};

module.exports = withNativeWind(config, { input: './ui/global.css' });
