// The shipped fonts, for print: slices by the signs they hold, opened when a sign of theirs is set.
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import type { PDFDocument, PDFFont } from 'pdf-lib';
import wawoff2 from 'wawoff2';

const find = createRequire(import.meta.url);

interface Slice {
  file: string;
  holds: (sign: number) => boolean;
}

const rangesOf = (text: string): [number, number][] =>
  text.split(',').map((r) => {
    const [from, to] = r.replace('U+', '').split('-');
    return [parseInt(from!, 16), parseInt(to ?? from!, 16)];
  });

function slicesOf(family: string): Slice[] {
  const files = path.dirname(find.resolve(`@fontsource-variable/${family}/files/${family}-latin-wght-normal.woff2`));
  const ranges = JSON.parse(readFileSync(path.join(files, '..', 'unicode.json'), 'utf8')) as Record<string, string>;
  return Object.entries(ranges).map(([name, text]) => {
    const all = rangesOf(text);
    return {
      file: path.join(files, `${family}-${name.replace(/[[\]]/g, '')}-wght-normal.woff2`),
      holds: (sign) => all.some(([from, to]) => sign >= from && sign <= to),
    };
  });
}

const EASTERN = ['noto-sans-jp', 'noto-sans-kr', 'noto-sans-sc'];
const known = new Map<string, Slice[]>();
const slices = (family: string) => {
  let s = known.get(family);
  if (!s) known.set(family, (s = slicesOf(family)));
  return s;
};

const opened = new Map<string, Promise<Uint8Array>>();
let last: Promise<unknown> = Promise.resolve();
/** A slice as the plain font that a document can take a part of. */
function plain(file: string): Promise<Uint8Array> {
  const known = opened.get(file);
  if (known) return known;
  // What it gives lies in memory that the next one takes: one after the other, each copied out.
  const font = last.then(async () => Uint8Array.from(await wawoff2.decompress(readFileSync(file))));
  last = font.catch(() => undefined);
  opened.set(file, font);
  return font;
}

/** A run of signs of one slice. */
export interface Run {
  text: string;
  font: PDFFont;
  /** It comes in its thinnest weight: a stroke around each sign makes it that of the others. */
  thin: boolean;
}
export type Typeset = (text: string, family: 'serif' | 'sans') => Promise<Run[]>;

/** Sets texts in a document with the fonts whose slices hold their signs; signs that none holds stand as a box. */
export function typesetter(doc: PDFDocument): Typeset {
  const embedded = new Map<string, Promise<PDFFont>>();
  const embed = (file: string) => {
    const font = embedded.get(file) ?? plain(file).then((raw) => doc.embedFont(raw, { subset: true }));
    embedded.set(file, font);
    return font;
  };
  return async (text, family) => {
    const own = family === 'serif' ? 'source-serif-4' : 'atkinson-hyperlegible-next';
    const all = [own, ...EASTERN].flatMap(slices);
    const latin = slices(own).find((s) => s.holds(0x61))!;
    const runs: { text: string; file: string }[] = [];
    for (const sign of text) {
      const code = sign.codePointAt(0)!;
      const last = runs.at(-1);
      const file = sign === ' ' && last ? last.file : (all.find((s) => s.holds(code)) ?? latin).file;
      if (last?.file === file) last.text += sign;
      else runs.push({ text: sign, file });
    }
    return Promise.all(
      runs.map(async (r) => ({
        text: r.text,
        font: await embed(r.file),
        thin: EASTERN.some((e) => path.basename(r.file).startsWith(e)),
      })),
    );
  };
}
