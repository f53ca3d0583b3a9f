import { spawnSync } from 'node:child_process';
import {
  copyFileSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { gzipSync } from 'node:zlib';

/** An app with nothing in it, of the same packages: what the first screen weighs is told against it. */
const FILES: Readonly<Record<string, string>> = {
  'app.json': JSON.stringify({
    expo: {
      name: 'Empty',
      slug: 'empty',
      scheme: 'empty',
      platforms: ['web'],
      web: { bundler: 'metro', output: 'static' },
      plugins: [['expo-router', { asyncRoutes: 'production' }]],
      experiments: { reactCompiler: true },
    },
  }),
  'metro.config.js': `const { getDefaultConfig } = require('expo/metro-config');
const { withNativeWind } = require('nativewind/metro');
module.exports = withNativeWind(getDefaultConfig(__dirname), { input: './ui/global.css', inlineRem: 16 });`,
  'app/_layout.tsx': `import '../ui/global.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { Slot } from 'expo-router';
const client = new QueryClient();
export default function Layout() { return <QueryClientProvider client={client}><Slot /></QueryClientProvider>; }`,
  'app/index.tsx': `import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { useQuery } from '@tanstack/react-query';
import { Text, View } from 'react-native';
import Svg, { Ellipse } from 'react-native-svg';
import { z } from 'zod';
const Word = z.string().nullable();
export default function Index() {
  const word = useQuery({ queryKey: ['word'], queryFn: async () => Word.parse(await createAsyncStorage('empty').getItem('word')) });
  return <View className="flex-1"><Svg width={44} height={34}><Ellipse cx={19} cy={19} rx={16} ry={12} /></Svg><Text>{word.data ?? 'empty'}</Text></View>;
}`,
};

/** Builds it beside. @returns bytes of its scripts, packed */
export function emptyAppBytes(root: string): number {
  const dir = mkdtempSync(path.join(tmpdir(), 'empty-'));
  try {
    for (const [name, text] of Object.entries(FILES)) {
      mkdirSync(path.dirname(path.join(dir, name)), { recursive: true });
      writeFileSync(path.join(dir, name), text);
    }
    mkdirSync(path.join(dir, 'ui'));
    for (const name of ['babel.config.js', 'tailwind.config.js', 'tsconfig.json', 'package.json', 'ui/global.css'])
      copyFileSync(path.join(root, name), path.join(dir, name));
    symlinkSync(path.join(root, 'node_modules'), path.join(dir, 'node_modules'));
    const built = spawnSync(
      process.execPath,
      [path.join(root, 'node_modules/expo/bin/cli'), 'export', '-p', 'web', '--output-dir', 'dist'],
      { cwd: dir, env: { ...process.env, CI: '1', EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1' }, encoding: 'utf8' },
    );
    const scripts = path.join(dir, 'dist/_expo/static/js/web');
    if (built.status !== 0) throw new Error(`${built.stdout}${built.stderr}`);
    return readdirSync(scripts)
      .filter((f) => !f.startsWith('+'))
      .reduce((sum, f) => sum + gzipSync(readFileSync(path.join(scripts, f))).length, 0);
  } finally {
    rmSync(dir, { recursive: true, force: true });
  }
}
