/** A short tone: the count higher where it changes sides, lower where it rests. Needs a touch of the person first. */
export class Tone {
  private context: AudioContext | null = null;

  /** Wakes the audio; browsers allow it only out of a press. */
  open(): void {
    try {
      this.context ??= new AudioContext();
      void this.context.resume();
    } catch {
      this.context = null;
    }
  }
  sound(hertz: number, seconds = 0.09): void {
    const c = this.context;
    if (!c || c.state !== 'running') return;
    const o = c.createOscillator();
    const g = c.createGain();
    o.frequency.value = hertz;
    g.gain.setValueAtTime(0.001, c.currentTime);
    g.gain.exponentialRampToValueAtTime(0.4, c.currentTime + 0.01);
    g.gain.exponentialRampToValueAtTime(0.001, c.currentTime + seconds);
    o.connect(g).connect(c.destination);
    o.start();
    o.stop(c.currentTime + seconds);
  }
  silence(): void {
    void this.context?.close();
    this.context = null;
  }
}

const synth = (): SpeechSynthesis | null =>
  typeof window !== 'undefined' && 'speechSynthesis' in window ? window.speechSynthesis : null;

/** Whether the device has a voice for a language. */
export const hasVoice = (lang: string): boolean => {
  const base = lang.split('-')[0]!;
  const alike = base === 'cmn' ? ['zh', 'cmn'] : base === 'yue' ? ['yue', 'zh-hk'] : [base];
  return (synth()?.getVoices() ?? []).some((v) => alike.some((a) => v.lang.toLowerCase().startsWith(a)));
};

/** Says a word at once; what was being said is cut off. */
export function say(text: string, lang: string): void {
  const s = synth();
  if (!s) return;
  s.cancel();
  const u = new SpeechSynthesisUtterance(text);
  u.lang = lang === 'cmn-Hans' ? 'zh-CN' : lang === 'yue-Hant' ? 'zh-HK' : lang;
  u.rate = 1.15;
  s.speak(u);
}
export const hush = (): void => synth()?.cancel();
