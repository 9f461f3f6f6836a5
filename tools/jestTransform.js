const { createHash } = require('node:crypto');
const { transformSync, version } = require('esbuild');

/**
 * Jest's view of what runs in Node: types taken off, modules as Node's own, and everything else as it is written. What makes
 * old browsers understand the app would make the engine half as fast here.
 */
const OPTIONS = {
  format: 'cjs',
  target: 'node20',
  sourcemap: 'inline',
  // Jest's own loader knows no other kind.
  supported: { 'dynamic-import': false },
  tsconfigRaw: { compilerOptions: { experimentalDecorators: true, useDefineForClassFields: true } },
};

module.exports = {
  process: (source, path) => ({
    code: transformSync(source, {
      ...OPTIONS,
      loader: path.endsWith('x') ? 'tsx' : 'ts',
      sourcefile: path,
    }).code,
  }),
  getCacheKey: (source, path) =>
    createHash('sha1')
      .update(JSON.stringify([version, OPTIONS, path, source]))
      .digest('hex'),
};
