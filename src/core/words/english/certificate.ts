import { dayInWords } from './day';
import { dateInWords } from './speak';

interface Says {
  name: string;
  belt: string;
  day: string;
  school: string;
}
type Checked =
  | { word: 'stands'; said: Says }
  | { word: 'taken back'; said: Says; day: string }
  | { word: 'changed'; shown: Says; given: Says; differs: readonly (keyof Says)[] }
  | { word: 'not ours' | 'unknown' | 'not signed' | 'no certificate' };

const NAMES: Record<keyof Says, string> = { name: 'the name', belt: 'the belt', day: 'the day', school: 'the school' };
const valueOf = (s: Says, k: keyof Says) => (k === 'day' ? dateInWords(s.day) : s[k]);

/** What a certificate comes to, for whoever holds it in the hand. */
export function checkedInWords(c: Checked, today: string): string {
  switch (c.word) {
    case 'stands':
      return `It stands: ${c.said.name} wears ${c.said.belt} from ${dateInWords(c.said.day)}, given by ${c.said.school}.`;
    case 'taken back':
      return `${c.said.school} took it back ${dayInWords(c.day, today)}. It does not count any more.`;
    case 'changed':
      return c.differs.length === 0
        ? 'It was changed after it was signed.'
        : `It was changed: ${c.differs
            .map((k) => `${NAMES[k]} says ${valueOf(c.shown, k)}, the school gave ${valueOf(c.given, k)}`)
            .join('; ')}.`;
    case 'not signed':
      return 'What it says is not signed by the school that it names: it was changed, or somebody else wrote it.';
    case 'not ours':
      return 'No school on this server gave it. Ask the school that it names.';
    case 'unknown':
      return 'There is no certificate of this code. Read it again: it has twelve letters and figures, no O, no I and no L.';
    case 'no certificate':
      return 'This is neither a code nor a certificate file.';
  }
}
