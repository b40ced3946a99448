/** Colours by what they are for; `ground` is whatever lies beneath. The screen maps them to its scheme, print to black. */
export type Tone =
  | 'ink'
  | 'ink2'
  | 'ground'
  | 'paper'
  | 'sheet'
  | 'rule'
  | 'pine'
  | 'onPine'
  | 'slate'
  | 'brass'
  | 'lacquer'
  | 'zone'
  | 'still'
  | 'wood'
  | 'woodLine'
  | 'none';

/** A stroke or an area; `at` moves, turns (degrees clockwise) and scales it. */
export interface Shape {
  is: 'shape';
  d: string;
  fill: Tone;
  stroke: Tone;
  width: number;
  dash?: string;
  round?: boolean;
  at?: { x: number; y: number; turn?: number; sx?: number; sy?: number };
}
export interface Label {
  is: 'label';
  x: number;
  y: number;
  text: string;
  size: number;
  tone: Tone;
  anchor: 'start' | 'middle' | 'end';
  weight: number;
  serif?: boolean;
  /** Painted with a rim of the ground, so that it can be read over lines. */
  rim?: boolean;
}
export type Primitive = Shape | Label;

export const n1 = (x: number): number => {
  const r = Math.round(x * 10) / 10;
  return r === 0 ? 0 : r;
};

// Written out field by field: a sheet is drawn of thousands of them, and laying one object over another costs more than
// the rest of the drawing.
export function shape(d: string, style: Partial<Omit<Shape, 'is' | 'd'>> = {}): Shape {
  const { fill = 'none', stroke = 'none', width = 1 } = style;
  const made: Shape = { is: 'shape', d, fill, stroke, width };
  if (style.dash !== undefined) made.dash = style.dash;
  if (style.round !== undefined) made.round = style.round;
  if (style.at !== undefined) made.at = style.at;
  return made;
}
export function label(
  x: number,
  y: number,
  text: string,
  size: number,
  style: Partial<Omit<Label, 'is' | 'x' | 'y' | 'text' | 'size'>> = {},
): Label {
  const { tone = 'ink', anchor = 'middle', weight = 430 } = style;
  const made: Label = { is: 'label', x: n1(x), y: n1(y), text, size, tone, anchor, weight };
  if (style.serif !== undefined) made.serif = style.serif;
  if (style.rim !== undefined) made.rim = style.rim;
  return made;
}

const SPECIAL = /[&<>"]/;
const escape = (text: string): string =>
  !SPECIAL.test(text)
    ? text
    : text.replace(/&/g, '&amp;').replace(/</g, '&lt;').replace(/>/g, '&gt;').replace(/"/g, '&quot;');

const placed = (a: NonNullable<Shape['at']>): string => {
  const turn = a.turn ? ` rotate(${n1(a.turn)})` : '';
  const scale = a.sx === undefined && a.sy === undefined ? '' : ` scale(${a.sx ?? 1} ${a.sy ?? 1})`;
  return `translate(${n1(a.x)} ${n1(a.y)})${turn}${scale}`;
};

/** A primitive as an SVG element: its name, its attributes and the words in it. */
export interface SvgElement {
  tag: 'path' | 'text';
  attributes: Readonly<Record<string, string | number>>;
  text: string;
}

export function svgElement(p: Primitive, colour: (tone: Tone) => string): SvgElement {
  const attributes: Record<string, string | number> = {};
  if (p.is === 'shape') {
    attributes['d'] = p.d;
    if (p.at) attributes['transform'] = placed(p.at);
    attributes['fill'] = p.fill === 'none' ? 'none' : colour(p.fill);
    if (p.stroke !== 'none') {
      attributes['stroke'] = colour(p.stroke);
      attributes['stroke-width'] = p.width;
      if (p.dash) attributes['stroke-dasharray'] = p.dash;
      if (p.round) attributes['stroke-linecap'] = 'round';
      attributes['stroke-linejoin'] = 'round';
    }
    return { tag: 'path', attributes, text: '' };
  }
  attributes['x'] = p.x;
  attributes['y'] = p.y;
  attributes['font-size'] = p.size;
  attributes['text-anchor'] = p.anchor;
  attributes['font-weight'] = p.weight;
  attributes['fill'] = colour(p.tone);
  if (p.serif) Object.assign(attributes, { class: 'serif', 'font-style': 'italic' });
  if (p.rim) Object.assign(attributes, { stroke: colour('ground'), 'stroke-width': 3.5, 'paint-order': 'stroke' });
  return { tag: 'text', attributes, text: p.text };
}

/** Primitives as SVG text, each as `svgElement` has it. Words are escaped: they come from people. */
export function svgOf(primitives: readonly Primitive[], colour: (tone: Tone) => string): string {
  let out = '';
  for (const p of primitives) out += p.is === 'shape' ? pathText(p, colour) : wordsText(p, colour);
  return out;
}

function pathText(p: Shape, colour: (tone: Tone) => string): string {
  const at = p.at ? ` transform="${placed(p.at)}"` : '';
  const fill = p.fill === 'none' ? 'none' : colour(p.fill);
  if (p.stroke === 'none') return `<path d="${p.d}"${at} fill="${fill}"/>`;
  const line = `stroke="${colour(p.stroke)}" stroke-width="${p.width}"`;
  const dash = p.dash ? ` stroke-dasharray="${p.dash}"` : '';
  const round = p.round ? ' stroke-linecap="round"' : '';
  return `<path d="${p.d}"${at} fill="${fill}" ${line}${dash}${round} stroke-linejoin="round"/>`;
}

function wordsText(p: Label, colour: (tone: Tone) => string): string {
  const how = `font-size="${p.size}" text-anchor="${p.anchor}" font-weight="${p.weight}" fill="${colour(p.tone)}"`;
  const serif = p.serif ? ' class="serif" font-style="italic"' : '';
  const rim = p.rim ? ` stroke="${colour('ground')}" stroke-width="3.5" paint-order="stroke"` : '';
  return `<text x="${p.x}" y="${p.y}" ${how}${serif}${rim}>${escape(p.text)}</text>`;
}

// --- the shapes of the stave

/** A foot from above, 24.8 units long, toes up, the right one. */
export const FOOT =
  'M-1.2 12.2C-3.9 12 -4.4 8.6 -3.9 5.8C-3.5 3.6 -3.2 1.6 -3.9 -1.2C-4.7 -4.2 -5.6 -6.4 -5 -9.2C-4.5 -11.6 -2.8 -12.9 -.8 -12.5C2.2 -11.9 4.9 -9.2 5.3 -5.4C5.6 -2.4 4.2 .2 3.7 3.4C3.3 6 3.8 12.3 -1.2 12.2Z';
const FOOT_UNITS = 24.8;

/** A foot drawn to scale: `length` is its length in the drawing, `turn` where the toes point (clockwise from up). */
export function footShape(
  side: 'left' | 'right',
  x: number,
  y: number,
  turn: number,
  length: number,
  tone: Tone,
  more: { dash?: string; width?: number; open?: boolean } = {},
): Shape {
  const k = length / FOOT_UNITS;
  return shape(FOOT, {
    fill: more.open ? 'none' : side === 'right' ? tone : 'ground',
    stroke: tone,
    width: n1((more.width ?? 1.5) / k),
    ...(more.dash ? { dash: more.dash } : {}),
    at: { x, y, turn, sx: side === 'left' ? -n3(k) : n3(k), sy: n3(k) },
  });
}
const n3 = (x: number) => Math.round(x * 1000) / 1000;

export const BURST = (() => {
  let d = '';
  for (let k = 0; k < 16; k++) {
    const r = k % 2 ? 5.5 : 12;
    const a = (Math.PI * k) / 8;
    d += `${k ? 'L' : 'M'}${n1(r * Math.cos(a))} ${n1(r * Math.sin(a))}`;
  }
  return d + 'Z';
})();
