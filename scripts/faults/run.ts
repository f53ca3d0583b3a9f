/**
 * npm run faults: everything that a phone, a browser, a disk and a thumb do to a kitchen, and what came of it, as a table.
 * ONLY=words runs the trials whose name holds them; SHARE=0.1 a tenth of each.
 */
import { launch, Server, type Ground, type Trial } from './ground';
import { asRow, BESIDE, TRIALS } from './trials';

const wanted = ({ name }: Trial) => !process.env['ONLY'] || name.includes(process.env['ONLY']);

/** The row of a trial; one that breaks off is said, and the next is made. */
const rowOf = (trial: Trial, ground: Ground) =>
  trial.run(ground).then(
    (outcome) => asRow(trial.name, outcome),
    (e: Error) => `| ${trial.name} | stopped | | | | ${e.message.split('\n')[0]} |`,
  );

async function main() {
  const server = new Server();
  await server.up();
  const browser = await launch();
  console.log('| what was done | tried | lost | blank | unsaid | |');
  console.log('| --- | --- | --- | --- | --- | --- |');
  try {
    const beside = BESIDE.filter(wanted).map((trial) => rowOf(trial, { server, browser }));
    for (const trial of TRIALS.filter(wanted)) console.log(await rowOf(trial, { server, browser }));
    for (const row of beside) console.log(await row);
  } finally {
    await browser.close();
    await server.down();
  }
}

void main();
