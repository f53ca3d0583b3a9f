/**
 * npm run faults: everything that a phone, a browser, a disk and a thumb do to a kitchen, and what came of it, as a table.
 * ONLY=words runs the trials whose name holds them; SHARE=0.1 a tenth of each.
 */
import { launch, Server } from './ground';
import { asRow, TRIALS } from './trials';

async function main() {
  const server = new Server();
  await server.up();
  const browser = await launch();
  console.log('| what was done | tried | lost | blank | unsaid | |');
  console.log('| --- | --- | --- | --- | --- | --- |');
  try {
    for (const trial of TRIALS) {
      if (process.env['ONLY'] && !trial.name.includes(process.env['ONLY'])) continue;
      try {
        console.log(asRow(trial.name, await trial.run({ server, browser })));
      } catch (e) {
        console.log(`| ${trial.name} | stopped | | | | ${(e as Error).message.split('\n')[0]} |`);
      }
    }
  } finally {
    await browser.close();
    await server.down();
  }
}

void main();
