/** npx tsx scripts/icons.ts: the icons of the installed app as pictures, from public/icon.svg; committed. */
import { readFileSync, mkdirSync } from 'node:fs';
import path from 'node:path';
import { chromium } from '@playwright/test';
import { BROWSER } from './browser';

const root = path.join(__dirname, '..');
const out = path.join(root, 'public/icons');
const svg = readFileSync(path.join(root, 'public/icon.svg'), 'utf8');
/** A mask may cut away all but the middle four fifths: the ground goes to the edge, and the pot keeps within. */
const masked = svg
  .replace('rx="7" fill', 'fill')
  .replace(
    /(<rect[^>]*>)([\s\S]*)<\/svg>/,
    '$1<g transform="translate(16 16) scale(.68) translate(-16.5 -16)">$2</g></svg>',
  );

async function draw() {
  mkdirSync(out, { recursive: true });
  const browser = await chromium.launch({ executablePath: BROWSER, args: ['--headless', '--no-sandbox'] });
  for (const [name, picture, size] of [
    ['any-192', svg, 192],
    ['any-512', svg, 512],
    ['mask-512', masked, 512],
  ] as const) {
    const page = await browser.newPage({ viewport: { width: size, height: size } });
    await page.setContent(`<style>body{margin:0}svg{display:block;width:${size}px;height:${size}px}</style>${picture}`);
    await page.screenshot({ path: path.join(out, `${name}.png`), omitBackground: true });
    await page.close();
  }
  await browser.close();
}
void draw();
