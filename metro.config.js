const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');

const config = getDefaultConfig(__dirname);
config.maxWorkers = 2;

// zod pulls every locale into every bundle; the app speaks English only (docs/architecture.md).
const englishLocales = path.join(__dirname, 'scripts/zod-locales.js');
// and it tries whether it may write code at run time, which the page's policy forbids: a violation a page
const zodWithoutEval = path.join(__dirname, 'scripts/zod-without-eval.js');
const withoutJsonSchema = path.join(__dirname, 'scripts/zod-without-json-schema.js');
// Parts of the packages that no room draws: lists that draw a window of themselves, animation by script, tabs, stacks and
// their heads, the router's own site map. They were a fifth of what a first visit waits for.
const leftOut = path.join(__dirname, 'scripts/left-out.js');
const LEFT_OUT = [
  /react-native-web\/dist\/exports\/(ActivityIndicator|Button|CheckBox|Image|ImageBackground|LogBox|PanResponder|Picker|ProgressBar|RefreshControl|Share|Switch|Touchable|TouchableHighlight|TouchableNativeFeedback|TouchableOpacity|TouchableWithoutFeedback|Vibration|YellowBox)\/index\.js$/,
  /react-native-web\/dist\/(exports|vendor\/react-native)\/(Animated|VirtualizedList|VirtualizedSectionList|FlatList|SectionList)\/index\.js$/,
  /expo-router\/build\/react-navigation\/(bottom-tabs\/(views|navigators)\/[^/]*|native-stack\/index)\.js$/,
  /expo-router\/build\/react-navigation\/elements\/(Header|Background|Button|Label|Platform|Sidebar|Tab)[^/]*\/.*\.js$/,
  /expo-router\/build\/layouts\/(stack-utils\/.*)\.js$/,
  /expo-router\/build\/(native-tabs|fork\/native-stack)\/.*\.js$/,
  /expo-router\/build\/views\/Sitemap\.js$/,
  /zod\/v4\/(core\/(compile|json-schema-processors|json-schema-generator)|classic\/from-json-schema)\.js$/,
];
const upstream = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  if (name.endsWith('/locales/index.js') && /zod[\\/]v4/.test(context.originModulePath)) {
    return { type: 'sourceFile', filePath: englishLocales };
  }
  if (name === 'zod' && context.originModulePath !== zodWithoutEval)
    return { type: 'sourceFile', filePath: zodWithoutEval };
  const found = (upstream ?? context.resolveRequest)(context, name, platform);
  if (platform !== 'web' || found.type !== 'sourceFile') return found;
  if (/zod\/v4\/core\/to-json-schema\.js$/.test(found.filePath)) return { ...found, filePath: withoutJsonSchema };
  return LEFT_OUT.some((part) => part.test(found.filePath)) ? { ...found, filePath: leftOut } : found;
};

module.exports = withNativeWind(config, { input: './ui/global.css', inlineRem: 16 });
