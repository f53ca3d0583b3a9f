/** Sound and vibration for a due step. The sound context wakes at the first touch, as browsers ask. */
let context: AudioContext | undefined;

export function wakeSound() {
  context ??= new AudioContext();
  if (context.state === 'suspended') void context.resume();
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
