module.exports = (api) => {
  api.cache.using(() => process.env.NODE_ENV);
  return {
    presets: ['babel-preset-expo'],
    // Takes from Paper, and from core, only the parts that are used.
    plugins: ['react-native-paper/babel', ['transform-imports', require('./build/coreBarrels')]],
    // Jest runs plain scripts, which cannot import later; there it is a require.
    env: { test: { plugins: ['dynamic-import-node'] } },
  };
};
