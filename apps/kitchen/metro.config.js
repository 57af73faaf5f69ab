const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);

/**
 * Two heavy things that the app never shows: the messages of Zod in forty languages (ours are in the schemas),
 * and an icon font of 1.3 MB that Paper would fall back to (our icons are drawn from paths).
 */
const isLeftOut = (moduleName, origin) =>
  (moduleName.endsWith('/locales/index.js') && origin.includes('/zod/')) ||
  moduleName === '@expo/vector-icons/MaterialCommunityIcons' ||
  moduleName === '@react-native-vector-icons/material-design-icons';

/** Animations ask for a native driver, which the web has not; react-native-web says so on every page. Ours answers quietly. */
const ANIMATION_HELPER = path.join(__dirname, 'src/ui/animationHelper.ts');
const asksForDriver = (moduleName, origin) =>
  moduleName.endsWith('/NativeAnimatedHelper') && origin.includes('/react-native-web/');

const { resolveRequest } = config.resolver;
config.resolver.resolveRequest = (context, moduleName, platform) => {
  if (isLeftOut(moduleName, context.originModulePath)) return { type: 'empty' };
  if (asksForDriver(moduleName, context.originModulePath)) {
    return { type: 'sourceFile', filePath: ANIMATION_HELPER };
  }
  return (resolveRequest ?? context.resolveRequest)(context, moduleName, platform);
};

module.exports = config;
