/** The alarm of a timed step: two tones a second, until acknowledged. */

const TONE_HZ = [880, 1175] as const;
const TONE_S = 0.16;
const PERIOD_MS = 1000;
const LOUDNESS = 0.25;
const VIBRATION_MS = [200, 100, 200];

let context: AudioContext | null = null;

/** Browsers allow sound only after a touch or a key: the first one opens the speaker. */
export function openSpeakerOnFirstTouch(): void {
  const open = () => {
    context ??= new AudioContext();
    void context.resume();
  };
  window.addEventListener('pointerdown', open, { once: true });
  window.addEventListener('keydown', open, { once: true });
}

function sound(hz: readonly number[], lengthS: number): void {
  if (!context || context.state !== 'running') return;
  hz.forEach((each, index) => {
    if (!context) return;
    const start = context.currentTime + index * lengthS;
    const tone = context.createOscillator();
    const gain = context.createGain();
    tone.frequency.value = each;
    gain.gain.setValueAtTime(LOUDNESS, start);
    gain.gain.exponentialRampToValueAtTime(0.001, start + lengthS);
    tone.connect(gain).connect(context.destination);
    tone.start(start);
    tone.stop(start + lengthS);
  });
}

const TICK = { hz: [660], nowHz: [1320], lengthS: 0.06 } as const;

/** One tick of the clock; higher where an act is now. */
export function tick(withSound: boolean, now: boolean): void {
  if (withSound) sound(now ? TICK.nowHz : TICK.hz, TICK.lengthS);
}

/** Browsers vibrate only after a touch, and complain of anything earlier. */
function vibrate(pattern: number | number[]): void {
  if (navigator.userActivation?.hasBeenActive ?? true) navigator.vibrate?.(pattern);
}

/** Rings until the returned function is called. */
export function ring(withSound: boolean): () => void {
  const once = () => {
    if (withSound) sound(TONE_HZ, TONE_S);
    vibrate(VIBRATION_MS);
  };
  once();
  const timer = setInterval(once, PERIOD_MS);
  return () => {
    clearInterval(timer);
    vibrate(0);
  };
}
