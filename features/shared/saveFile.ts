import { writeKitchenFile } from '../../core/formats/kitchenFile';
import type { Kitchen } from '../../storage/kitchen';

/** Hands a text to the browser as a download. */
export function saveFile(name: string, text: string, type = 'application/json') {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** Everything that is kept, as a file. */
export async function saveKitchenFile(kitchen: Kitchen, atMs: number) {
  const file = await kitchen.readAll(new Date(atMs).toISOString());
  saveFile(`ovalis-kitchen-${file.exportedAt.slice(0, 10)}.json`, writeKitchenFile(file));
}
