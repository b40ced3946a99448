import { decode, type Decoded } from './decode';

export type FileRead = ({ ok: true; bytes: Uint8Array } & Decoded) | { ok: false; wrong: string };

const inMegabytes = (n: number) => `${(n / 1e6).toLocaleString('en-GB', { maximumFractionDigits: 1 })} MB`;

/** A file that somebody chose, as text; or why it is none. `most` in bytes. */
export async function readFile(file: File, most: number): Promise<FileRead> {
  if (file.size > most)
    return {
      ok: false,
      wrong: `${file.name} has ${inMegabytes(file.size)}; at most ${inMegabytes(most)} are taken at once.`,
    };
  const bytes = new Uint8Array(await file.arrayBuffer());
  const read = decode(bytes);
  if (!read)
    return {
      ok: false,
      wrong: `${file.name}: this is not a text file. A spreadsheet is first saved as CSV; then take that file.`,
    };
  if (read.text.trim() === '') return { ok: false, wrong: `${file.name} is empty.` };
  return { ok: true, bytes, ...read };
}
