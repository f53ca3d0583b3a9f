import { saveFile } from './saveFile';

type Shared = { title: string; text: string; name: string; type: string; asFile?: boolean };

/**
 * Gives a text to another app by the browser's own sheet; where there is none, as a download. A sheet that was closed is an
 * answer: nothing is downloaded behind the cook's back.
 */
export async function share({ title, text, name, type, asFile = false }: Shared): Promise<void> {
  const file = new File([text], name, { type });
  const data: ShareData = asFile ? { title, files: [file] } : { title, text };
  if (!navigator.share || (navigator.canShare && !navigator.canShare(data))) {
    saveFile(name, text, type);
    return;
  }
  try {
    await navigator.share(data);
  } catch (e) {
    if ((e as Error).name !== 'AbortError') saveFile(name, text, type);
  }
}
