// The bell of a block: made on the device, so that it sounds without a network.

let context: AudioContext | null = null;

/** To be called from a tap, or browsers stay silent. */
export function wakeSound(): void {
  try {
    context ??= new AudioContext();
    void context.resume();
  } catch {
    context = null;
  }
}

/** Two low strokes: a block is over. */
export function bell(): void {
  if (!context) return;
  for (const [i, hertz] of [392, 294].entries()) {
    const at = context.currentTime + i * 0.45;
    const tone = context.createOscillator();
    const loud = context.createGain();
    tone.type = 'triangle';
    tone.frequency.value = hertz;
    loud.gain.setValueAtTime(0.001, at);
    loud.gain.exponentialRampToValueAtTime(0.5, at + 0.02);
    loud.gain.exponentialRampToValueAtTime(0.001, at + 0.9);
    tone.connect(loud).connect(context.destination);
    tone.start(at);
    tone.stop(at + 1);
  }
}

/** Says names aloud where the device has a voice; whether it has. */
export function say(text: string): boolean {
  if (typeof window === 'undefined' || !('speechSynthesis' in window)) return false;
  window.speechSynthesis.cancel();
  window.speechSynthesis.speak(new SpeechSynthesisUtterance(text));
  return true;
}
