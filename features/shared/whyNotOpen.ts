import { say, type Said } from '../../core/say';
import { KitchenLost } from './stored';
import { WorkerGone } from '../../workers/overseer';

/** The store's package wraps the browser's error and keeps its words alone. */
const BY_WORDS = [
  [/quota|disk|no space/i, 'open.full'],
  [/less than the existing version/i, 'open.newer'],
  [/insecure|denied|not allowed/i, 'open.refused'],
] as const;

/** What a browser calls a store that it does not give, in words. */
export function whyNotOpen(e: Error): Said {
  if (e instanceof KitchenLost) return say('open.lost');
  if (e instanceof WorkerGone) return say('open.model');
  switch (e.name) {
    case 'QuotaExceededError':
      return say('open.full');
    case 'VersionError':
      return say('open.newer');
    case 'SecurityError':
    case 'NotAllowedError':
    case 'InvalidStateError':
      return say('open.refused');
    default:
      return say(BY_WORDS.find(([words]) => words.test(e.message))?.[1] ?? 'open.unknown');
  }
}
