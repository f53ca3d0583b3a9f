import { painter, type Told } from './painter';

/** Fills the place; what is done on it is heard by the place itself. */
function canvasIn(place: HTMLElement): HTMLCanvasElement {
  const canvas = document.createElement('canvas');
  canvas.style.cssText = 'display:block;width:100%;height:100%;pointer-events:none';
  place.replaceChildren(canvas);
  return canvas;
}

const far = () =>
  typeof Worker !== 'undefined' && 'transferControlToOffscreen' in HTMLCanvasElement.prototype
    ? new Worker(new URL('./painter.worker', import.meta.url))
    : undefined;

/**
 * A painter with a canvas in this place. It draws in a worker, so that the page keeps its breath for the cook; where there is
 * none, or it fails, it draws here.
 */
export function hirePainter(place: HTMLElement, worker = far()) {
  /** all that was told, for one who takes over */
  let said: Told = {};
  let here: ReturnType<typeof painter> | undefined;
  const drawHere = () => {
    here = painter(requestAnimationFrame, cancelAnimationFrame);
    here.on(canvasIn(place));
    here.tell(said);
  };
  if (worker) {
    worker.onerror = (e) => {
      e.preventDefault();
      worker.terminate();
      drawHere();
    };
    const canvas = canvasIn(place).transferControlToOffscreen();
    worker.postMessage({ canvas } satisfies Told, [canvas]);
  } else drawHere();
  return {
    tell(told: Told) {
      said = { ...said, ...told };
      if (here) here.tell(told);
      else worker?.postMessage(told);
    },
    end() {
      worker?.terminate();
      here?.end();
      place.replaceChildren();
    },
  };
}
