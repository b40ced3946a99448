import type { MakeUpDrill } from '../../roll/makeUp';
import { listInWords, plural } from './speak';

/** "Reeds, counts 3 to 6, five times slowly: it comes at counts 5 and 6." */
export function makeUpInWords(d: MakeUpDrill): string {
  const part = d.whole ? '' : d.from === d.to ? `, count ${d.from}` : `, counts ${d.from} to ${d.to}`;
  return `${d.title}${part}, five times slowly: it comes at ${plural(d.at.length, 'count')} ${listInWords(d.at.map(String))}.`;
}
