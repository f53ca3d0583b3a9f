import { say, type Said } from '../../core/say';
import { WorkerGone } from '../../workers/overseer';

/** Why there is no answer, in words: what the model says of itself comes over as the code of its sentence. */
export function errorSays(error: Error): Said {
  if (error instanceof WorkerGone) return say('open.model');
  return say(error.message === 'model.noLiquid' ? 'model.noLiquid' : 'model.unexpected');
}
