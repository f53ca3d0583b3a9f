import { useEffect, useState } from 'react';

/** Whether `ok` has held, with `value` unchanged, for `ms`. */
export function useSettled(ok: boolean, value: unknown, ms: number): boolean {
  const [settled, setSettled] = useState<unknown>();
  useEffect(() => {
    if (!ok) return;
    const timer = setTimeout(() => setSettled(value), ms);
    return () => clearTimeout(timer);
  }, [ok, value, ms]);
  return ok && settled === value;
}
