/** Packages that ship untranspiled code and must pass through Babel, besides Expo's own list. */
const UNTRANSPILED =
  '((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|@expo-google-fonts/.*|react-navigation|@react-navigation/.*|react-native-paper|react-native-svg|lucide-react-native|@kettle-scale/.*|convert|uuid|intl-messageformat|@formatjs/.*)';

module.exports = {
  displayName: 'kitchen',
  preset: 'jest-expo/web',
  // d3 offers Node only modules that Jest does not read; the same code stands beside them in the old form.
  moduleNameMapper: { '^(d3-[a-z-]+|internmap)$': '<rootDir>/../../node_modules/$1/dist/$1.js' },
  setupFilesAfterEnv: ['<rootDir>/src/test/patience.ts'],
  transformIgnorePatterns: [`node_modules/(?!(.*/)?${UNTRANSPILED})`],
};
