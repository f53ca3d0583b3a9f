// Copies the latin woff2 files of the three families next to the app and writes their @font-face rules.
import { copyFileSync, mkdirSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const root = path.resolve(import.meta.dirname, '..');
const out = path.join(root, 'public/fonts');
const FACES = [
  ['sansita', 'Sansita', 700],
  ['sansita', 'Sansita', 800],
  ['signika', 'Signika', 400],
  ['signika', 'Signika', 600],
  ['signika-negative', 'Signika Negative', 400],
  ['signika-negative', 'Signika Negative', 600],
];

mkdirSync(out, { recursive: true });
const rules = FACES.map(([pkg, family, weight]) => {
  const file = `${pkg}-${weight}.woff2`;
  copyFileSync(
    path.join(root, `node_modules/@fontsource/${pkg}/files/${pkg}-latin-${weight}-normal.woff2`),
    path.join(out, file),
  );
  return `@font-face{font-family:'${family}';font-weight:${weight};font-style:normal;font-display:swap;src:url('/fonts/${file}') format('woff2')}`;
});
writeFileSync(path.join(out, 'fonts.css'), rules.join('\n') + '\n');
