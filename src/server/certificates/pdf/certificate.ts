import fontkit from '@pdf-lib/fontkit';
import { PDFDocument } from 'pdf-lib';
import QRCode from 'qrcode';
import type { CertificateView } from '../../../contracts/views';
import { codeInFours, dateInWords, listInWords } from '../../../core';
import { belt } from './belt';
import { typesetter } from './fonts';
import { BLACK, GREY, line, middled, path, rule, type Sheet } from './page';

/** Paper in points. */
export const PAPERS = { a4: [595.28, 841.89], letter: [612, 792] } as const;
export type Paper = keyof typeof PAPERS;

/** Two staves along each edge, lashed where they cross. */
function frame(s: Sheet) {
  const [m, over, thick] = [40, 16, 7];
  const [r, b] = [s.width - m, s.height - m];
  for (const y of [m, b])
    path(s, `M${m - over} ${y - thick / 2}H${r + over}V${y + thick / 2}H${m - over}Z`, { x: 0, y: 0 });
  for (const x of [m, r])
    path(s, `M${x - thick / 2} ${m - over}V${b + over}H${x + thick / 2}V${m - over}Z`, { x: 0, y: 0 });
  for (const x of [m, r])
    for (const y of [m, b])
      for (let i = -6; i <= 6; i += 3) {
        rule(s, { x: x + i - 3, y: y - 8 }, { x: x + i + 3, y: y + 8 }, 0.8);
        rule(s, { x: x - 8, y: y + i - 3 }, { x: x + 8, y: y + i + 3 }, 0.8);
      }
}

/** Every belt from the first, notched into one staff; lashed where it was given. */
async function ladder(s: Sheet, belts: CertificateView['belts'], to: string, y: number, left: number, right: number) {
  const thick = 7;
  path(s, `M${left} ${y}H${right}V${y + thick}H${left}Z`, { x: 0, y: 0 });
  const step = (right - left) / belts.length;
  for (const [i, b] of belts.entries()) {
    const x = left + step * (i + 0.5);
    const now = b.name === to;
    const n = now ? 9 : b.since ? 4 : 0;
    for (let k = 0; k < n; k += 1)
      rule(
        s,
        { x: x + (k - n / 2) * 3 - 1, y: y + thick + 2 },
        { x: x + (k - n / 2) * 3 + 1, y: y - 2 },
        now ? 1.6 : 1,
      );
    if (n === 0) path(s, `M${x - 3} ${y}L${x} ${y + 3}L${x + 3} ${y}`, { x: 0, y: 0 });
    await line(
      s,
      b.name,
      { x, y: y + 24 },
      { size: now ? 11 : 9.5, align: 'middle', colour: b.since ? BLACK : GREY },
      step - 4,
    );
    if (b.since) await line(s, dateInWords(b.since), { x, y: y + 36 }, { size: 7.5, align: 'middle' }, step - 4);
  }
}

const ROLE: Record<string, string> = { head: 'head instructor', instructor: 'instructor', examiner: 'examiner' };

/**
 * A certificate for print, in black ink, with the code and its sign for cameras; printed again it is the same. `origin`:
 * where it can be checked.
 */
export async function certificatePdf(c: CertificateView, paper: Paper, origin: string): Promise<Uint8Array> {
  const doc = await PDFDocument.create();
  doc.registerFontkit(fontkit);
  const [width, height] = PAPERS[paper];
  const s: Sheet = { page: doc.addPage([width, height]), set: typesetter(doc), width, height };
  doc.setTitle(`${c.name}, ${c.to.name}`);
  doc.setLanguage('en');
  const mid = width / 2;
  const [left, right] = [74, width - 74];
  frame(s);
  await line(s, c.head, { x: mid, y: 96 }, { size: 17, family: 'serif', align: 'middle' }, right - left);
  await line(s, c.name, { x: mid, y: 186 }, { size: 42, family: 'serif', align: 'middle' }, right - left);
  let y = await middled(s, c.wording, { x: mid, y: 222 }, { size: 18, family: 'serif', leading: 24 }, right - left);
  y += 12;
  belt(s, c.to.cloth, { x: mid - 158, y }, 316, 24);
  y += 66;
  if (c.panel.length > 0) {
    const shown = `Shown ${c.hall ? `in ${c.hall} ` : ''}on ${dateInWords(c.day)}, before ${listInWords(
      c.panel.map((p) => p.name),
      6,
    )}.`;
    y = await middled(s, shown, { x: mid, y }, { size: 12.5, family: 'serif', leading: 19 }, right - left - 90);
  }
  const half = (right - left - 40) / 2;
  const room = height - 300 - (y + 10);
  const rows = Math.ceil(c.items.length / 2);
  const step = rows === 0 ? 0 : Math.min(22, room / rows);
  y += 12;
  // Where a belt asks for more than the page holds, the items are left out rather than shrunk until nobody reads them.
  if (step >= 11)
    for (const [i, item] of c.items.entries()) {
      const x = left + (i % 2) * (half + 40);
      const at = y + Math.floor(i / 2) * step + step * 0.7;
      rule(s, { x, y: at + step * 0.3 }, { x: x + half, y: at + step * 0.3 }, 0.4);
      rule(s, { x: x + 6, y: at + 1 }, { x: x + 6, y: at - 8 }, 2);
      rule(s, { x, y: at + 1 }, { x: x + 12, y: at + 1 }, 0.8);
      await line(
        s,
        `${item.name}, ${item.condition}`,
        { x: x + 20, y: at },
        { size: Math.min(10.5, step * 0.62) },
        half - 20,
      );
    }
  await ladder(s, c.belts, c.to.name, height - 262, left, right);
  const names = c.panel.slice(0, 4);
  const each = (right - left) / Math.max(1, names.length);
  for (const [i, p] of names.entries()) {
    const x = left + each * i;
    rule(s, { x, y: height - 160 }, { x: x + each - 18, y: height - 160 });
    await line(s, p.name, { x: x + (each - 18) / 2, y: height - 147 }, { size: 10, align: 'middle' }, each - 20);
    await line(
      s,
      ROLE[p.role] ?? '',
      { x: x + (each - 18) / 2, y: height - 135 },
      { size: 8.5, align: 'middle' },
      each - 20,
    );
  }
  const address = `${origin}/c/${c.code}`;
  await line(s, `Number ${c.number}`, { x: left, y: height - 82 }, { size: 9 });
  await line(
    s,
    `Check it: ${origin.replace(/^https?:\/\//, '')}/c/${codeInFours(c.code)}`,
    { x: left, y: height - 68 },
    { size: 9 },
    right - left - 70,
  );
  const qr = QRCode.create(address, { errorCorrectionLevel: 'M' }).modules;
  const cell = 52 / qr.size;
  let d = '';
  for (let r = 0; r < qr.size; r += 1)
    for (let k = 0; k < qr.size; k += 1) if (qr.get(r, k)) d += `M${k * cell} ${r * cell}h${cell}v${cell}h${-cell}Z`;
  path(s, d, { x: right - 52, y: height - 118 }, { fill: BLACK, thickness: 0 });
  if (c.back)
    await line(s, 'Taken back: it does not count any more.', { x: mid, y: 62 }, { size: 12, align: 'middle' });
  return doc.save();
}
