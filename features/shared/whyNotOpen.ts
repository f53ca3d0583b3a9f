import { say, type Said } from '../../core/say';
import { KitchenLost } from './stored';
import { WorkerGone } from '../../workers/overseer';

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
      // the store's package wraps the browser's error and keeps its words alone
      return say(/quota|full|space/i.test(e.message) ? 'open.full' : 'open.unknown');
  }
}
