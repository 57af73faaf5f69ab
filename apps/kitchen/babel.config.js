module.exports = (api) => {
  api.cache(true);
  return {
    presets: ['babel-preset-expo'],
    // Takes from Paper only the parts that are used.
    plugins: ['react-native-paper/babel'],
  };
};
