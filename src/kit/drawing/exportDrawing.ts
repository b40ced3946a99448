import sans from '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2?url';
import serif from '@fontsource-variable/source-serif-4/files/source-serif-4-latin-wght-italic.woff2?url';
import { svgOf, type StaveLayout } from '../../core';
import { inFile } from './tones';

async function embedded(family: string, url: string): Promise<string> {
  const bytes = new Uint8Array(await (await fetch(url)).arrayBuffer());
  let text = '';
  for (const b of bytes) text += String.fromCharCode(b);
  return `@font-face{font-family:'${family}';font-weight:200 900;src:url(data:font/woff2;base64,${btoa(text)}) format('woff2')}`;
}

/** The stave as a file of its own: white ground, colours written out, fonts inside. */
export async function staveFile(layout: StaveLayout, title: string): Promise<string> {
  const fonts = (await Promise.all([embedded('Stave', sans), embedded('Stave Serif', serif)])).join('');
  const body =
    layout.lines.map((l) => `<g transform="translate(0 ${l.y})">${svgOf(l.primitives, inFile)}</g>`).join('') +
    layout.columns.map((c) => `<g transform="translate(${c.x} ${c.y})">${svgOf(c.primitives, inFile)}</g>`).join('');
  const name = title.replace(/[<>&]/g, '');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${layout.width}" height="${layout.height}" viewBox="0 0 ${layout.width} ${layout.height}"><title>${name}</title><style>${fonts}text{font-family:'Stave',sans-serif}.serif{font-family:'Stave Serif',serif}</style><rect width="100%" height="100%" fill="#FFFFFF"/>${body}</svg>`;
}

/** The same as a picture, at twice the size. */
export async function stavePicture(layout: StaveLayout, title: string): Promise<Blob> {
  const svg = await staveFile(layout, title);
  const image = new Image();
  image.src = `data:image/svg+xml;charset=utf-8,${encodeURIComponent(svg)}`;
  await image.decode();
  const canvas = document.createElement('canvas');
  // Browsers draw at most some sixteen thousand pixels a side.
  const k = Math.min(2, 16_000 / layout.width, 16_000 / layout.height);
  canvas.width = Math.round(layout.width * k);
  canvas.height = Math.round(layout.height * k);
  canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
  return new Promise((done, failed) => {
    canvas.toBlob((b) => (b ? done(b) : failed(new Error('no picture'))), 'image/png');
  });
}

/** Hands a file to the person. */
export function download(name: string, content: Blob | string, type = 'text/plain'): void {
  const blob = typeof content === 'string' ? new Blob([content], { type }) : content;
  const a = document.createElement('a');
  a.href = URL.createObjectURL(blob);
  a.download = name;
  a.click();
  setTimeout(() => {
    URL.revokeObjectURL(a.href);
  }, 10_000);
}

export const fileName = (title: string): string =>
  title
    .normalize('NFC')
    .replace(/[\\/:*?"<>|\s]+/g, '-')
    .toLowerCase();
