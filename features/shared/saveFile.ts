import { useQuery, useQueryClient } from '@tanstack/react-query';
import { keepLightly, local } from '../../storage/local';
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

const EXPORTED = 'ovalis-exported';
/** When everything was last put into a file on this device, ISO 8601; undefined until it is known. */
export const useLastExported = (): string | null | undefined =>
  useQuery({ queryKey: [EXPORTED], queryFn: () => local().getItem(EXPORTED), staleTime: Infinity }).data;

/** Batches that are in no file yet, of which the Book says so. */
export const MANY_UNSAVED = 10;
export const sinceExport = (rows: readonly { at: string }[], exportedAt: string | null): number =>
  exportedAt === null ? rows.length : rows.filter((r) => Date.parse(r.at) > Date.parse(exportedAt)).length;

/** Everything as this tab shows it, as a file. */
export function useSaveKitchen() {
  const { clock } = useKitchen();
  const everything = useEverything();
  const client = useQueryClient();
  return async () => {
    const at = new Date(clock()).toISOString();
    saveFile(`ovalis-kitchen-${at.slice(0, 10)}.json`, await everything(at));
    keepLightly(EXPORTED, at);
    client.setQueryData([EXPORTED], at);
  };
}
