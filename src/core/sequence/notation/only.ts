import { MOST_ONLY } from '../underCondition';

/** What holds under some conditions alone: `(only air, still target)`; a name with a sign in it stands in quotes. */
export const printOnly = (only: readonly string[]): string =>
  only.length === 0 ? '' : ` (only ${only.map((c) => (/[,()]/.test(c) ? `"${c}"` : c)).join(', ')})`;

const BEGINS = '(only ';

/**
 * Reads what `printOnly` writes where the text begins with it: the names, and how long it is. Null: it does not begin so.
 * No names: none was said, or the bracket is not closed.
 */
export function readOnly(text: string): { names: string[]; length: number } | null {
  if (text.slice(0, BEGINS.length).toLowerCase() !== BEGINS) return null;
  const names: string[] = [];
  let [name, quoted] = ['', false];
  const end = () => {
    const said = name.split(/\s+/).filter(Boolean).join(' ');
    if (said !== '') names.push(said);
    name = '';
  };
  for (let i = BEGINS.length; i < text.length; i += 1) {
    const c = text[i]!;
    if (c === '"') quoted = !quoted;
    else if (!quoted && c === ')') {
      end();
      return { names, length: i + 1 };
    } else if (!quoted && (c === ',' || c === '，' || c === '、')) end();
    else name += c;
  }
  return { names: [], length: text.length };
}

/** Whether so many conditions are named as may be. */
export const areConditions = (names: readonly string[]): boolean => names.length > 0 && names.length <= MOST_ONLY;
export const NO_CONDITIONS = [
  `Name one to ${MOST_ONLY} conditions, and close the bracket.`,
  '! (only still target) reach, ~ school (only air, wall): the count as they do it',
] as const;
