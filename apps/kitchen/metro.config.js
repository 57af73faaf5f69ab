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

const { resolveRequest } = config.resolver;
config.resolver.resolveRequest = (context, moduleName, platform) =>
  isLeftOut(moduleName, context.originModulePath)
    ? { type: 'empty' }
    : (resolveRequest ?? context.resolveRequest)(context, moduleName, platform);

module.exports = config;
