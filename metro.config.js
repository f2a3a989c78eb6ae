const { readdirSync } = require('node:fs');
const { join } = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);

/**
 * Parts of packages that come along with what is used of them and that the app never reaches; each weighs on the first
 * load. They are left out of what is built, which is what the end-to-end tests run: one that comes to be needed fails
 * where it is first used. While developing all parts are there, for the tools that come with it use some.
 * The packages that they lean on are pinned exactly in package.json, and a pattern that meets nothing fails the build.
 */
const leftOut = [
  // The validator's forty locales, its writer and reader of JSON Schema, and its compiler.
  /[\\/]zod[\\/]v4[\\/]locales[\\/]index\.js$/,
  /[\\/]zod[\\/]v4[\\/]core[\\/](json-schema|json-schema-generator|json-schema-processors|to-json-schema|compile)\.js$/,
  /[\\/]zod[\\/]v4[\\/]classic[\\/]from-json-schema\.js$/,
  // The router's stacks, tabs, previews and site map: the shell shows places in a slot of its own.
  /[\\/]expo-router[\\/]build[\\/]layouts[\\/](stack-utils[\\/](toolbar|screen|Stack)|experimental-stack|Tabs|Drawer)/,
  /[\\/]expo-router[\\/]build[\\/]react-navigation[\\/](bottom-tabs|native-stack[\\/]views|elements)[\\/]/,
  /[\\/]expo-router[\\/]build[\\/](native-tabs|toolbar|color)[\\/]/,
  /[\\/]expo-router[\\/]build[\\/]views[\\/](ErrorBoundary|Sitemap|Unmatched)/,
  /[\\/]expo-router[\\/]build[\\/]link[\\/](LinkWithPreview|elements)\.js$/,
  /[\\/]expo-router[\\/]build[\\/]standard-navigation[\\/]/,
  /[\\/]expo-modules-core[\\/]src[\\/](uuid|PermissionsHook)/,
  /[\\/]expo[\\/]src[\\/]dom[\\/](dom-hooks|injection|webview-bridge)/,
  /[\\/]expo-router[\\/]build[\\/]link[\\/]preview[\\/](HrefPreview|native)/,
  // Its forks of these are what it uses.
  /[\\/]expo-router[\\/]build[\\/]react-navigation[\\/]native[\\/](createMemoryHistory|createStaticNavigation|Link|NavigationContainer|ServerContainer|useDocumentTitle|useLinkBuilder|useLinkProps|useLinkTo|useLinking|useRoutePath|useScrollToTop|useThenable)\.js$/,
  /[\\/]expo-router[\\/]build[\\/]react-navigation[\\/]core[\\/](getPathFromState|getStateFromPath|StaticNavigation)\.js$/,
  /[\\/]expo-router[\\/]build[\\/]react-navigation[\\/]routers[\\/](DrawerRouter|TabRouter)/,
  // Lists, animations and touchables of the web's React Native: nothing here scrolls by windows or moves by itself.
  /[\\/]react-native-web[\\/]dist[\\/]vendor[\\/]react-native[\\/](Animated|VirtualizedList|VirtualizedSectionList|FlatList|SectionList|FillRateHelper|ViewabilityHelper|VirtualizeUtils|PanResponder)[\\/]/,
  /[\\/]react-native-web[\\/]dist[\\/]exports[\\/](ActivityIndicator|Animated|Clipboard|FlatList|InteractionManager|LayoutAnimation|SectionList|Share|VirtualizedList|Touchable(\w*)|CheckBox|Switch|ProgressBar|Modal|Button|Picker|PanResponder|ImageBackground|KeyboardAvoidingView|RefreshControl)[\\/]/,
  // A backup is locked by a passphrase: no keys of hardware, of curves, nor of those that are to outlive them.
  /[\\/]age-encryption[\\/]dist[\\/]webauthn\.js$/,
  /[\\/]@noble[\\/](post-quantum|curves)[\\/]/,
  // Repeating days are written and read as rules, never in words.
  /[\\/]rrule[\\/]dist[\\/]esm[\\/]nlp[\\/]/,
  // Drawings come from code, never from text.
  /[\\/]react-native-svg[\\/]lib[\\/]module[\\/](xml|xmlTags|deprecated|lib[\\/]SvgTouchableMixin|lib[\\/]extract[\\/]transform|lib[\\/]extract[\\/]transformToRn)\.js$/,
];

/**
 * What the router makes or wraps around all as it loads and shows nowhere, and its faulty memory: by the end of its
 * name, what stands for it.
 */
const insteadOf = [
  ['./createMemoryHistory', 'history.js'],
  ['react-native-screens', 'noScreens.js'],
  ['/native-stack/createNativeStackNavigator', 'noStacks.js'],
  ['/vendor/react-helmet-async/lib', 'noHead.js'],
];

/** Which of them met something in this build. */
const met = new Set();
process.on('exit', (code) => {
  const idle = [...leftOut.map(String), ...insteadOf.map(([end]) => end)].filter(
    (one) => !met.has(one),
  );
  if (code !== 0 || met.size === 0 || idle.length === 0) return;
  process.stderr.write(
    `These patterns of metro.config.js meet nothing any more: what they kept out may be in again. Mend or remove them.\n${idle.join('\n')}\n`,
  );
  process.exitCode = 1;
});

const { resolveRequest } = config.resolver;
const find = (context, name, platform) =>
  (resolveRequest ?? context.resolveRequest)(context, name, platform);

config.resolver.resolveRequest = (context, name, platform) => {
  if (context.dev || platform !== 'web') return find(context, name, platform);
  const instead = insteadOf.find(([end]) => name.endsWith(end));
  if (instead) met.add(instead[0]);
  if (instead)
    return { type: 'sourceFile', filePath: join(__dirname, 'scripts', 'web', instead[1]) };
  const found = find(context, name, platform);
  const part =
    found.type === 'sourceFile' ? leftOut.find((one) => one.test(found.filePath)) : undefined;
  if (part) met.add(String(part));
  return part ? { type: 'empty' } : found;
};

/**
 * A module runs when something of it is first used, not when whoever names it is loaded. Not so what reckons, where
 * asking for another module in every round would cost more than it spares; nor what stands under all, which looks at
 * the script that it came with while that one runs.
 */
const atOnce = [
  'core',
  'node_modules/@noble/hashes',
  'node_modules/@noble/ciphers',
  'node_modules/expo/src',
].flatMap((room) =>
  readdirSync(join(__dirname, room), { recursive: true }).map((path) =>
    join(__dirname, room, path),
  ),
);
const blockList = Object.fromEntries(atOnce.map((path) => [path, true]));
const { getTransformOptions } = config.transformer;
config.transformer.getTransformOptions = async (...asked) => {
  const options = await getTransformOptions?.(...asked);
  return { ...options, transform: { ...options?.transform, inlineRequires: { blockList } } };
};

module.exports = withNativeWind(config, { input: './ui/global.css' });
