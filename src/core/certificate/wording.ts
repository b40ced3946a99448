/** What stands below the name where a school says nothing else. */
export const USUAL_WORDING = 'wears {belt} from {day}';
const PLACES = ['{name}', '{belt}', '{day}', '{school}'] as const;

/** A school's wording with what it names put in. */
export const worded = (wording: string, f: { name: string; belt: string; day: string; school: string }): string =>
  (wording.trim() === '' ? USUAL_WORDING : wording)
    .replaceAll('{name}', f.name)
    .replaceAll('{belt}', f.belt)
    .replaceAll('{day}', f.day)
    .replaceAll('{school}', f.school);

/** What stands in braces and is none of the places there are. */
export const unknownPlaces = (wording: string): string[] =>
  (wording.match(/\{[^{}]*\}/g) ?? []).filter((p) => !(PLACES as readonly string[]).includes(p));
