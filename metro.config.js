const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);
config.maxWorkers = 2;

// zod pulls every locale into every bundle; the app speaks English only (docs/architecture.md).
const englishLocales = path.join(__dirname, 'scripts/zod-locales.js');
// and it tries whether it may write code at run time, which the page's policy forbids: a violation a page
const zodWithoutEval = path.join(__dirname, 'scripts/zod-without-eval.js');
const upstream = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  if (name.endsWith('/locales/index.js') && /zod[\\/]v4/.test(context.originModulePath)) {
    return { type: 'sourceFile', filePath: englishLocales };
  }
  if (name === 'zod' && context.originModulePath !== zodWithoutEval)
    return { type: 'sourceFile', filePath: zodWithoutEval };
  return (upstream ?? context.resolveRequest)(context, name, platform);
};

module.exports = withNativeWind(config, { input: './ui/global.css', inlineRem: 16 });
