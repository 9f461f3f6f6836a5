/** The app as app.json says it; `bench web` builds its page of one word with the same settings. */
module.exports = ({ config }) => {
  const root = process.env.YARRIX_ROUTES;
  if (root === undefined) return config;
  const plugins = config.plugins.map((plugin) =>
    plugin[0] === 'expo-router' ? ['expo-router', { ...plugin[1], root }] : plugin,
  );
  return { ...config, plugins };
};
