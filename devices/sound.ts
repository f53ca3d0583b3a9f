/** Sound and vibration for a due step. The sound context wakes at the first touch, as browsers ask. */
let context: AudioContext | undefined;
const listeners = new Set<() => void>();
const told = () => listeners.forEach((tell) => tell());

function wakeSound() {
  if (!context) {
    context = new AudioContext();
    context.addEventListener('statechange', told);
  }
  if (context.state === 'suspended') void context.resume().then(told, told);
  told();
}

/** Whether an alarm could not be heard now; and who wants to know when that changes. */
export const soundAsleep = (): boolean => context?.state !== 'running';
export function onSound(tell: () => void): () => void {
  listeners.add(tell);
  return () => listeners.delete(tell);
}

/** Acts that a browser takes for a touch. */
const TOUCHES = ['pointerup', 'keydown', 'click'] as const;
/** Making the sound takes a moment: it waits until the tap is over, or the tap would be taken for a drag. */
const AFTER_TAP_MS = 120;

/** The first touch anywhere wakes the sound, and any later one brings it back. @returns the way out */
export function wakeAtTouch(): () => void {
  const wake = () => {
    if (soundAsleep()) setTimeout(() => soundAsleep() && wakeSound(), AFTER_TAP_MS);
  };
  for (const touch of TOUCHES) document.addEventListener(touch, wake, { capture: true, passive: true });
  return () => {
    for (const touch of TOUCHES) document.removeEventListener(touch, wake, { capture: true });
  };
}

/** Two short notes; `urgent` is lower and three. */
export function signal(urgent = false, ways: { sound: boolean; vibrates: boolean } = { sound: true, vibrates: true }) {
  if (ways.vibrates && navigator.userActivation?.hasBeenActive)
    navigator.vibrate?.(urgent ? [200, 100, 200, 100, 200] : [160, 80, 160]);
  if (!ways.sound || context?.state !== 'running') return;
  const notes = urgent ? [392, 392, 392] : [659, 880];
  notes.forEach((hz, i) => {
    const at = context!.currentTime + i * 0.22;
    const tone = context!.createOscillator();
    const gain = context!.createGain();
    tone.frequency.value = hz;
    gain.gain.setValueAtTime(0.0001, at);
    gain.gain.exponentialRampToValueAtTime(0.3, at + 0.02);
    gain.gain.exponentialRampToValueAtTime(0.0001, at + 0.2);
    tone.connect(gain).connect(context!.destination);
    tone.start(at);
    tone.stop(at + 0.22);
  });
}
