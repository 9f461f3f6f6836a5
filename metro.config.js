const { join } = require('node:path');
const { FileStore } = require('metro-cache');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.maxWorkers = 2;
config.cacheStores = [new FileStore({ root: join(__dirname, 'node_modules', '.cache', 'metro') })];
// Modules run when they are first used: half of what the platform brings is not, on the first page.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });
config.transformer.minifierPath = require.resolve('./tools/minify.js');
// The data of a running server and the last bundle are none of Metro's business.
const own = (folder) =>
  new RegExp(`^${join(__dirname, folder).replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}/.*`);
config.resolver.blockList = [own('.yarrix'), own('dist')].concat(config.resolver.blockList ?? []);

// class-validator asks for these for rules that we do not use, and they are large: of `validator` it gets the rules in use.
// A rule left out fails when its decorator first runs; app/ui/leftOut.test.ts goes through all that are written.
const RULES = /^validator\/lib\/(isUUID|matches|isLength|isISO8601|isRFC3339)$/;
config.resolver.resolveRequest = (context, name, platform) => {
  const leftOut =
    /^libphonenumber-js(\/|$)/.test(name) ||
    (/[\\/]class-validator[\\/]/.test(context.originModulePath) &&
      /^validator(\/|$)/.test(name) &&
      !RULES.test(name));
  return leftOut ? { type: 'empty' } : context.resolveRequest(context, name, platform);
};

// Our page asks for what it shows before the platform has started; the bench's page of one word has nothing to ask for.
const { getModulesRunBeforeMainModule } = config.serializer;
if (process.env.YARRIX_ROUTES === undefined)
  config.serializer.getModulesRunBeforeMainModule = (entry) => [
    ...(getModulesRunBeforeMainModule?.(entry) ?? []),
    join(__dirname, 'app', 'state', 'begin.ts'),
  ];

module.exports = config;
