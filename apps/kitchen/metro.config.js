const path = require('node:path');
const { createHash } = require('node:crypto');
const { getDefaultConfig } = require('expo/metro-config');
const coreBarrels = require('./build/coreBarrels');

const config = getDefaultConfig(__dirname);
// What was transformed before a name of core moved to another file is old.
config.cacheVersion = createHash('sha256').update(JSON.stringify(coreBarrels)).digest('hex');

/**
 * What the app never shows: [module, who asks for it]. Messages of Zod in forty languages (ours are in the schemas); an icon
 * font of 1.3 MB that Paper would fall back to (our icons are drawn from paths); lists and controls of React Native that
 * nothing here draws; tabs, stacks and the site map of the router, whose pages we draw ourselves.
 */
const LEFT_OUT = [
  [/\/locales\/index\.js$/, /\/zod\//],
  [/^(@expo|react-native)[-/]vector-icons\/MaterialCommunityIcons$/, /./],
  [/^@react-native-vector-icons\/material-design-icons$/, /./],
  [
    /\/(FlatList|SectionList|VirtualizedList|VirtualizedSectionList|Picker|CheckBox|ProgressBar|YellowBox|Button|ImageBackground|InputAccessoryView|TouchableNativeFeedback)$/,
    /\/react-native-web\/dist\/(index|vendor\/react-native\/Animated\/components\/\w+)\.js$/,
  ],
  [/\/components\/Animated(FlatList|SectionList)$/, /\/react-native-web\//],
  [
    /^\.\.?\/(layouts\/(Tabs|Stack|experimental-stack)|views\/(Sitemap|useSitemap)|onboard\/Tutorial)$/,
    /\/expo-router\/build\//,
  ],
];

const isLeftOut = (moduleName, origin) =>
  LEFT_OUT.some(([module, asks]) => module.test(moduleName) && asks.test(origin));

/** Modules that ours stand for: [module, who asks for it, ours]. */
const REPLACED = [
  // Animations ask for a native driver, which the web has not; react-native-web says so on every page. Ours answers quietly.
  [/\/NativeAnimatedHelper$/, /\/react-native-web\//, 'src/ui/animationHelper.ts'],
  [/\/react-navigation\/bottom-tabs$/, /\/expo-router\/build\/views\//, 'build/tabBarHeight.js'],
  // A slot needs the router of a stack, not its headers, toolbars and native screens.
  [/\/layouts\/StackClient$/, /\/expo-router\/build\/views\/Navigator\.js$/, 'build/slotRouter.js'],
];

const { resolveRequest } = config.resolver;
config.resolver.resolveRequest = (context, moduleName, platform) => {
  const origin = context.originModulePath;
  if (isLeftOut(moduleName, origin)) return { type: 'empty' };
  const ours = REPLACED.find(([module, asks]) => module.test(moduleName) && asks.test(origin))?.[2];
  if (ours) return { type: 'sourceFile', filePath: path.join(__dirname, ours) };
  return (resolveRequest ?? context.resolveRequest)(context, moduleName, platform);
};

config.transformer.minifierPath = require.resolve('./build/minify');
config.transformer.unstable_disableNormalizePseudoGlobals = true;

module.exports = config;
