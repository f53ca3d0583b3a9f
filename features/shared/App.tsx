import { UsUnits } from '../../ui/units';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import {
  createContext,
  Fragment,
  useCallback,
  useContext,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react';
import { DEFAULT_SETTINGS, type Settings } from '../../core/settings';
import { useKitchen } from './kitchen';
import { useKitchenOpen, useSettings } from './stored';
import { formatter, type Formatter } from '../../words/format';
import type { Said } from '../../core/say';
import { keepLightly } from '../../storage/local';
import { direction, speak, spoken, teller } from '../../words';

/** Where the cook is: carried from room to room, so that the work line leads to the same dish. */
type Where = { planId?: string; cookId?: string; live: boolean };

type AppState = {
  fmt: Formatter;
  /** the sentence of what core says, in the cook's own units */
  tell: (said: Said | string) => string;
  where: Where;
  setWhere: (part: Partial<Where>) => void;
  ready: boolean;
  failed: Error | null;
};

const AppContext = createContext<AppState | undefined>(undefined);

export function useApp(): AppState {
  const state = useContext(AppContext);
  if (!state) throw new Error('used outside of the app');
  return state;
}
export const useFormat = (): Formatter => useApp().fmt;
export const useTell = (): AppState['tell'] => useApp().tell;

function applyTheme(theme: Settings['theme']) {
  const night = theme === 'night' || (theme === 'system' && matchMedia('(prefers-color-scheme: dark)').matches);
  document.documentElement.classList.toggle('dark', night);
  keepLightly('ovalis-theme', theme);
}

function Inner({ children }: { children: ReactNode }) {
  const { sound } = useKitchen();
  const opened = useKitchenOpen();
  const { settings } = useSettings();
  const [where, setWhereState] = useState<Where>({ live: false });
  useEffect(() => sound.wakeAtTouch(), [sound]);
  const theme = settings?.theme;
  useEffect(() => {
    if (!theme) return undefined;
    applyTheme(theme);
    const query = matchMedia('(prefers-color-scheme: dark)');
    const follow = () => applyTheme(theme);
    query.addEventListener('change', follow);
    return () => query.removeEventListener('change', follow);
  }, [theme]);
  const language = settings?.language ?? 'en';
  useEffect(() => {
    speak(language);
    document.documentElement.lang = language;
    document.documentElement.dir = direction(language);
  }, [language]);
  // what was said in another language is said anew: everything is drawn again
  const saying = useSyncExternalStore(spoken.listen, spoken.now, spoken.now);
  // the same function for good: a room that says where it is on arrival must not be called back by what it said
  const setWhere = useCallback(
    (part: Partial<Where>) =>
      setWhereState((old) =>
        Object.entries(part).every(([k, v]) => old[k as keyof Where] === v) ? old : { ...old, ...part },
      ),
    [],
  );
  const fmt = useMemo(() => formatter(settings ?? DEFAULT_SETTINGS), [settings]);
  const value = useMemo<AppState>(
    () => ({
      fmt,
      tell: teller(settings ?? DEFAULT_SETTINGS),
      where,
      setWhere,
      ready: opened.data === true,
      failed: opened.error,
    }),
    [fmt, settings, where, setWhere, opened.data, opened.error],
  );
  return (
    <AppContext.Provider value={value}>
      <UsUnits value={fmt.settings.spoons === 'us'}>
        <Fragment key={saying}>{children}</Fragment>
      </UsUnits>
    </AppContext.Provider>
  );
}

export function App({ children }: { children: ReactNode }) {
  const [client] = useState(
    () =>
      new QueryClient({
        defaultOptions: {
          queries: { networkMode: 'always', retry: false, refetchOnWindowFocus: false },
          mutations: { networkMode: 'always' },
        },
      }),
  );
  return (
    <QueryClientProvider client={client}>
      <Inner>{children}</Inner>
    </QueryClientProvider>
  );
}
