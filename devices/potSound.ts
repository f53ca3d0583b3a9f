/** What a pot sounds like, made of nothing: a hiss that grows towards the boil, and plops of a thick one. */

/** What is heard of it: 0 to 1 each, and plops a second. */
export type PotHeard = { hiss: number; plopsPerS: number; deep: number };

export type PotSound = { hear(now: PotHeard): void; end(): void };

/** A second of noise, the same each time. */
function noise(context: BaseAudioContext): AudioBuffer {
  const buffer = context.createBuffer(1, context.sampleRate, context.sampleRate);
  const data = buffer.getChannelData(0);
  let x = 12345;
  for (let i = 0; i < data.length; i++) {
    x = (Math.imul(x, 1103515245) + 12345) & 0x7fffffff;
    data[i] = x / 0x3fffffff - 1;
  }
  return buffer;
}

const LOUD = 0.16;
const SOON_S = 0.15;

/** Begins to sound; call from a tap. @param make the sound context of the browser, or a test's */
export function potSound(make: () => AudioContext = () => new AudioContext()): PotSound {
  const context = make();
  const source = context.createBufferSource();
  source.buffer = noise(context);
  source.loop = true;
  const band = context.createBiquadFilter();
  band.type = 'bandpass';
  band.frequency.value = 2400;
  band.Q.value = 0.6;
  const gain = context.createGain();
  gain.gain.value = 0;
  source.connect(band).connect(gain).connect(context.destination);
  source.start();
  let now: PotHeard = { hiss: 0, plopsPerS: 0, deep: 0 };
  let owed = 0;
  let last = context.currentTime;
  const plop = () => {
    const tone = context.createOscillator();
    const fade = context.createGain();
    const at = context.currentTime;
    const hz = 320 - 190 * now.deep;
    tone.frequency.setValueAtTime(hz, at);
    tone.frequency.exponentialRampToValueAtTime(hz * 0.45, at + 0.12);
    fade.gain.setValueAtTime(0.0001, at);
    fade.gain.exponentialRampToValueAtTime(0.25, at + 0.015);
    fade.gain.exponentialRampToValueAtTime(0.0001, at + 0.16);
    tone.connect(fade).connect(context.destination);
    tone.start(at);
    tone.stop(at + 0.18);
  };
  const timer = setInterval(() => {
    const at = context.currentTime;
    owed += now.plopsPerS * (at - last);
    last = at;
    if (owed >= 1) {
      owed = 0;
      plop();
    }
  }, 60);
  return {
    hear(heard) {
      now = heard;
      gain.gain.setTargetAtTime(LOUD * heard.hiss, context.currentTime, SOON_S);
      band.frequency.setTargetAtTime(1500 + 1800 * heard.hiss, context.currentTime, SOON_S);
    },
    end() {
      clearInterval(timer);
      source.stop();
      void context.close();
    },
  };
}
