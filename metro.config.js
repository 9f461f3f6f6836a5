const { join } = require('node:path');
const { FileStore } = require('metro-cache');
const { getDefaultConfig } = require('expo/metro-config');

const config = getDefaultConfig(__dirname);
config.maxWorkers = 2;
config.cacheStores = [new FileStore({ root: join(__dirname, 'node_modules', '.cache', 'metro') })];
config.transformer.minifierPath = require.resolve('./tools/minify.js');
// The data of a running server and the last bundle are none of Metro's business.
const own = (folder) =>
  new RegExp(`^${join(__dirname, folder).replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}/.*`);
config.resolver.blockList = [own('.yarrix'), own('dist')].concat(config.resolver.blockList ?? []);

// class-validator asks for these for rules that we do not use; they are large and break its export.
const LEFT_OUT = new Set(['validator', 'libphonenumber-js']);
config.resolver.resolveRequest = (context, name, platform) =>
  LEFT_OUT.has(name) ? { type: 'empty' } : context.resolveRequest(context, name, platform);

module.exports = config;
