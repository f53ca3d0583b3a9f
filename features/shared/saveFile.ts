import { useKitchen } from './kitchen';
import { useEverything } from './stored';

/** Hands a text to the browser as a download. */
export function saveFile(name: string, text: string, type = 'application/json') {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}

/** A name as a file may have it. */
export const fileName = (name: string): string =>
  name
    .normalize('NFKD')
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-+|-+$/g, '') || 'unnamed';

/** Everything as this tab shows it, as a file. */
export function useSaveKitchen() {
  const { clock } = useKitchen();
  const everything = useEverything();
  return async () => {
    const at = new Date(clock()).toISOString();
    saveFile(`ovalis-kitchen-${at.slice(0, 10)}.json`, await everything(at));
  };
}
