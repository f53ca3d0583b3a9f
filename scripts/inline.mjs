// Puts the styles into the pages that they are for: nothing is drawn later for their sake.
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import path from 'node:path';

const dist = path.resolve(import.meta.dirname, '../dist');
const fonts = readFileSync(path.join(dist, 'fonts/fonts.css'), 'utf8');
for (const name of readdirSync(dist).filter((f) => f.endsWith('.html'))) {
  const file = path.join(dist, name);
  const page = readFileSync(file, 'utf8')
    .replace(/<link rel="preload" href="[^"]+\.css" as="style">/g, '')
    .replace(/<link rel="stylesheet" href="(\/_expo\/static\/css\/[^"]+)">/g, (_all, href) => {
      const css = readFileSync(path.join(dist, href), 'utf8');
      return `<style>${fonts}${css}</style>`;
    });
  if (/rel="stylesheet"/.test(page)) throw new Error(`${name} waits for a style sheet`);
  writeFileSync(file, page);
}
