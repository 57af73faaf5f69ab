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

function sound(): void {
  if (!context || context.state !== 'running') return;
  TONE_HZ.forEach((hz, index) => {
    if (!context) return;
    const start = context.currentTime + index * TONE_S;
    const tone = context.createOscillator();
    const gain = context.createGain();
    tone.frequency.value = hz;
    gain.gain.setValueAtTime(LOUDNESS, start);
    gain.gain.exponentialRampToValueAtTime(0.001, start + TONE_S);
    tone.connect(gain).connect(context.destination);
    tone.start(start);
    tone.stop(start + TONE_S);
  });
}

/** Browsers vibrate only after a touch, and complain of anything earlier. */
function vibrate(pattern: number | number[]): void {
  if (navigator.userActivation?.hasBeenActive ?? true) navigator.vibrate?.(pattern);
}

/** Rings until the returned function is called. */
export function ring(withSound: boolean): () => void {
  const once = () => {
    if (withSound) sound();
    vibrate(VIBRATION_MS);
  };
  once();
  const timer = setInterval(once, PERIOD_MS);
  return () => {
    clearInterval(timer);
    vibrate(0);
  };
}
