import { useGlobalSearchParams, usePathname } from 'expo-router';
import { useEffect } from 'react';
import { keepPlace } from '../../storage/which';
import { useApp } from './App';
import { useKitchen } from './kitchen';

/** Rooms that are come back to. */
const ROOMS = [
  '/plan',
  '/day',
  '/prep',
  '/pot',
  '/set',
  '/book',
  '/batch',
  '/kitchen',
  '/practice',
  '/shopping',
  '/rescue',
  '/compare',
  '/recipe',
];

/** Keeps in mind which room was open, with its plan, pot or day: whoever opens the app again is there. */
export function useKeepPlace(): void {
  const { which } = useKitchen();
  const { where } = useApp();
  const path = usePathname();
  const params = useGlobalSearchParams<Record<string, string>>();
  const ofPlan = path === '/plan' || path === '/prep';
  const ofCook = path === '/pot' || path === '/set';
  const said = new URLSearchParams({
    ...(ofPlan && where.planId ? { id: where.planId } : ofCook && where.cookId ? { cook: where.cookId } : {}),
    ...params,
  }).toString();
  useEffect(() => {
    const kitchen = ROOMS.includes(path) ? which() : undefined;
    if (kitchen) keepPlace(kitchen, said ? `${path}?${said}` : path);
  }, [which, path, said]);
}
