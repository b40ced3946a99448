// A spreadsheet runs a cell that begins like a formula (OWASP, CSV injection). Programs that part cells elsewhere than we
// do (at semicolons or tabs, or at a line break inside a cell) find beginnings in the middle; some take full-width signs
// for plain ones. An apostrophe at each such place keeps it text, and is taken away again when the cell is read.
const BEGINS = String.raw`(?<=^|[\r\n\t;；])([ \u00A0\u3000]*'*)`;
const SIGNS = String.raw`[=+\-@＝＋－＠\t\r]`;
const BARE = new RegExp(`${BEGINS}(?=${SIGNS})`, 'g');
const KEPT = new RegExp(`${BEGINS}'(?=${SIGNS})`, 'g');

/** A cell that no spreadsheet runs. */
export const guarded = (cell: string): string => cell.replace(BARE, "$1'");

/** What was guarded, as it was. */
export const unguarded = (cell: string): string => cell.replace(KEPT, '$1');
