/** In how many of a unit an inch is; only lengths are ever typed in inches. */
const INCH: Readonly<Record<string, number>> = { cm: 2.54, m: 0.0254 };

/**
 * A measure as people type it, in a unit: `83`, `83,5`, and for lengths also inches (`33 in`, `33"`), feet and inches
 * (`5 ft 7`, `5'7"`), centimetres and metres whatever the unit is. Null: it is no number, or a length where none is meant.
 */
export function readMeasure(text: string, unit: string | null): number | null {
  const s = text.trim().replace(',', '.').replaceAll('−', '-').toLowerCase();
  if (s === '' || s.length > 20) return null;
  if (/^[+-]?(?:\d+(?:\.\d*)?|\.\d+)$/.test(s)) return Number(s);
  const inch = INCH[unit ?? ''];
  if (inch === undefined) return null;
  const rounded = (n: number) => Math.round(n * 1000) / 1000;
  const inches = /^(\d+(?:\.\d+)?) ?(?:in|inch|inches|"|”|″)$/.exec(s);
  if (inches) return rounded(Number(inches[1]) * inch);
  const feet = /^(\d+) ?(?:ft|'|’|′) ?(?:(\d+(?:\.\d+)?) ?(?:in|"|”|″)?)?$/.exec(s);
  if (feet) return rounded((Number(feet[1]) * 12 + Number(feet[2] ?? 0)) * inch);
  const metric = /^(\d+(?:\.\d+)?) ?(cm|m|mm)$/.exec(s);
  if (!metric) return null;
  const metres = Number(metric[1]) * { mm: 0.001, cm: 0.01, m: 1 }[metric[2] as 'mm' | 'cm' | 'm'];
  return rounded(unit === 'm' ? metres : metres * 100);
}
