/** The colours of the workshop: paper, ink, wood, cloth. One set for the desk, one for the hall. */
export const LIGHT = {
  paper: '#FAF7F0',
  sheet: '#FFFFFF',
  ink: '#20262B',
  ink2: '#55606A',
  rule: '#D9D3C5',
  pine: '#2F5D50',
  onPine: '#FFFFFF',
  lacquer: '#A63A26',
  brass: '#8A6312',
  slate: '#3B5876',
  wood: '#CDAA73',
  woodLine: '#7A5626',
  onWood: '#20262B',
  paleWood: '#EADBC0',
  leftLine: '#7A5626',
  cloth: '#C9C0AC',
  still: '#7E878D',
  zone: '#938973',
  lit: '#E3ECE6',
} as const;
export type Token = keyof typeof LIGHT;

export const DARK: Record<Token, string> = {
  paper: '#14181B',
  sheet: '#1C2226',
  ink: '#ECE7DB',
  ink2: '#A9B0B5',
  rule: '#343C42',
  pine: '#8CC3AF',
  onPine: '#14181B',
  lacquer: '#F0917C',
  brass: '#E0B85C',
  slate: '#9DBBDA',
  wood: '#B2925F',
  woodLine: '#543B18',
  onWood: '#14181B',
  paleWood: '#D8C39B',
  leftLine: '#C9A86F',
  cloth: '#C9C0AC',
  still: '#7E878D',
  zone: '#8A8270',
  lit: '#25372F',
};

/** Pairs that stand on each other on screen, and the contrast WCAG 2.2 asks: 4.5 for text, 3 for large text and parts of controls. */
export const PAIRS: readonly { front: Token; back: Token; least: 4.5 | 3; where: string }[] = [
  { front: 'ink', back: 'paper', least: 4.5, where: 'text' },
  { front: 'ink', back: 'sheet', least: 4.5, where: 'text on a sheet' },
  { front: 'ink', back: 'lit', least: 4.5, where: 'the chosen row' },
  { front: 'ink2', back: 'paper', least: 4.5, where: 'second line' },
  { front: 'ink2', back: 'sheet', least: 4.5, where: 'second line on a sheet' },
  { front: 'ink2', back: 'lit', least: 4.5, where: 'second line of the chosen row' },
  { front: 'pine', back: 'paper', least: 4.5, where: 'action, selection' },
  { front: 'pine', back: 'sheet', least: 4.5, where: 'action on a sheet' },
  { front: 'pine', back: 'lit', least: 4.5, where: 'number of the chosen row' },
  { front: 'onPine', back: 'pine', least: 4.5, where: 'the filled key' },
  { front: 'lacquer', back: 'paper', least: 4.5, where: 'what can hurt' },
  { front: 'lacquer', back: 'sheet', least: 4.5, where: 'what can hurt, on a sheet' },
  { front: 'lacquer', back: 'lit', least: 4.5, where: 'what can hurt, in the chosen row' },
  { front: 'brass', back: 'paper', least: 4.5, where: 'what needs attention' },
  { front: 'brass', back: 'sheet', least: 4.5, where: 'what needs attention, on a sheet' },
  { front: 'slate', back: 'paper', least: 4.5, where: 'links' },
  { front: 'slate', back: 'sheet', least: 4.5, where: 'links on a sheet' },
  { front: 'onWood', back: 'wood', least: 4.5, where: 'words cut in wood' },
  { front: 'onWood', back: 'paleWood', least: 4.5, where: 'words on pale wood' },
  { front: 'ink2', back: 'paper', least: 3, where: 'edges of controls' },
  { front: 'still', back: 'paper', least: 3, where: 'the foot that stays' },
  { front: 'zone', back: 'paper', least: 3, where: 'zone lines' },
];

/** The belts a new school can choose from, as cuttings of cloth. */
export const CUTTINGS: readonly { name: string; colour: string }[] = [
  { name: 'White', colour: '#F7F3E8' },
  { name: 'Straw', colour: '#E6D08A' },
  { name: 'Amber', colour: '#D38F33' },
  { name: 'Fern', colour: '#5B8A52' },
  { name: 'Lake', colour: '#4479A0' },
  { name: 'Brick', colour: '#A4483A' },
  { name: 'Plum', colour: '#6B4A78' },
  { name: 'Umber', colour: '#7A5237' },
  { name: 'Black', colour: '#2A2725' },
];

/** Relative luminance and contrast ratio after WCAG 2.2. Takes `#RRGGBB`. */
export function contrast(a: string, b: string): number {
  const luminance = (hex: string) => {
    const [r, g, bl] = [1, 3, 5].map((i) => {
      const c = parseInt(hex.slice(i, i + 2), 16) / 255;
      return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
    }) as [number, number, number];
    return 0.2126 * r + 0.7152 * g + 0.0722 * bl;
  };
  const [x, y] = [luminance(a), luminance(b)].sort((p, q) => q - p) as [number, number];
  return (x + 0.05) / (y + 0.05);
}

const css = (tokens: Record<Token, string>) =>
  Object.entries(tokens)
    .map(
      ([name, value]) => `--${name.replace(/[A-Z0-9]/g, (c) => (/\d/.test(c) ? c : `-${c.toLowerCase()}`))}:${value}`,
    )
    .join(';');

/**
 * Six sizes of type, size and line in pixels, for desk and mat: from the question of a page down to what stands beside.
 * Only a name seen across a hall, letters within a drawing and print are sized by themselves.
 */
export const TYPE = [
  [32, 38],
  [26, 32],
  [20, 26],
  [17, 23],
  [15, 20],
  [14, 18],
] as const;
/** Five spaces in pixels, from between two lines to between two sections. */
export const SPACE = [4, 8, 12, 16, 24] as const;
const sizes = [
  ...TYPE.flatMap(([size, line], i) => [`--size-${i + 1}:${size}px`, `--type-${i + 1}:${size}px/${line}px`]),
  ...SPACE.map((space, i) => `--space-${i + 1}:${space}px`),
].join(';');

/** The tokens as CSS variables (`--ink2`, `--wood-line`), for both schemes; print is always light. */
export const tokensCss = `:root{${sizes};${css(LIGHT)};color-scheme:light}@media screen{[data-scheme=dark]{${css(DARK)};color-scheme:dark}}`;
