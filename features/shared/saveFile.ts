import { writeKitchenFile } from '../../core/formats/kitchenFile';
import { exportAll } from '../../storage/hooks';

/** Hands a text to the browser as a download. */
export function saveFile(name: string, text: string, type = 'application/json') {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

export async function saveKitchenFile() {
  const file = await exportAll();
  saveFile(`ovalis-kitchen-${file.exportedAt.slice(0, 10)}.json`, writeKitchenFile(file));
}
