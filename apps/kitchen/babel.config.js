module.exports = (api) => {
  api.cache.using(() => process.env.NODE_ENV);
  return {
    presets: ['babel-preset-expo'],
    // Takes from Paper, and from core, only the parts that are used.
    plugins: ['react-native-paper/babel', ['transform-imports', require('./build/coreBarrels')]],
    // Jest runs plain scripts, which cannot import later; there it is a require.
    env: { test: { plugins: ['dynamic-import-node'] } },
    overrides: [
      {
        // Of the rest of the app a screen is made ready when it is first shown, not all of them at the first touch.
        test: (file) => Boolean(file?.endsWith('/screens/rest.ts')),
        plugins: [['@babel/plugin-transform-modules-commonjs', { lazy: () => true }]],
      },
    ],
  };
};
