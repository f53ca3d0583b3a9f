/** Arrow keys in a group of radios: the next one is chosen and has the focus, as everywhere on the web. */

type KeyEvent = { key: string; currentTarget: unknown; preventDefault(): void };

const BY: Readonly<Record<string, 1 | -1>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/** For the group; each radio keeps one tab stop together: see {@link stopOf}. */
export function arrows(e: KeyEvent): void {
  const by = BY[e.key];
  if (!by) return;
  const group = e.currentTarget as HTMLElement;
  const radios = [...group.querySelectorAll<HTMLElement>('[role=radio]')].filter((r) => r.ariaDisabled !== 'true');
  const at = radios.indexOf(document.activeElement as HTMLElement);
  if (at < 0) return;
  e.preventDefault();
  const next = radios[(at + by + radios.length) % radios.length]!;
  next.focus();
  next.click();
}

/** Whether tab stops at this radio: at the one that is chosen, or at the first where none is. */
export const stopOf = (chosen: boolean, first: boolean, anyChosen: boolean): 0 | -1 =>
  chosen || (first && !anyChosen) ? 0 : -1;
