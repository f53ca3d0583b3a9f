// Installs and builds what is missing, and nothing else.
import { ensureBuilt, ensureInstalled } from './lib.mjs';

ensureInstalled();
const built = ensureBuilt();
if (!built.ok) {
  console.error(built.out);
  process.exit(1);
}
