import { expose } from 'comlink';
import { modelApi } from './api';

/** Holds a lock of this name for as long as this worker lives: whoever waits for it learns when it is gone. */
const holdLock = (name: string) =>
  new Promise<void>((held) => {
    void navigator.locks.request(name, () => {
      held();
      return new Promise(() => undefined);
    });
  });

expose({ ...modelApi, holdLock });
