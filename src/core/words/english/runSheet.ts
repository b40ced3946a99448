import type { DayCheck, Slack } from '../../runSheet/checks';
import type { DayGroup, Task } from '../../runSheet/model';
import type { Laid } from '../../runSheet/stages';
import { clockInWords } from './clock';
import { capital, countOf, inSentence, inWords, listInWords, plural } from './speak';

/** What a task takes besides time. */
export const taskInWords = (t: Task): string =>
  [
    t.mats && 'on the mats, one by one',
    t.pairs && 'in pairs',
    t.thing !== null && `${t.thing} × ${t.count}${t.turns > 1 ? `, ${inWords(t.turns)} turns` : ''}`,
    !t.pairs && !t.mats && t.thing === null && t.turns > 1 && `${inWords(t.turns)} turns`,
  ]
    .filter(Boolean)
    .join(', ');

/** What somebody who lays out the day should know, and what it comes from. */
export function dayCheckInWords(
  c: DayCheck,
  names: { person: (id: string) => string; group: (id: string) => DayGroup | undefined },
): string {
  if (c.kind === 'over')
    return `At ${clockInWords(c.at)} more is wanted than there is of ${c.resource}: what is pinned there overlaps. Pin one of them later, or let it go.`;
  if (c.kind === 'late') return `The day ends ${countOf(c.minutes, 'minute')} later than it should.`;
  const g = names.group(c.group);
  const belt = g?.belt ?? '';
  if (c.kind === 'not there yet')
    return `${belt} is not seen by ${listInWords(c.examiners.map(names.person))}, who ${c.examiners.length === 1 ? 'comes' : 'come'} later. Allowed.`;
  const task = g?.tasks[c.task]?.label ?? '';
  if (c.kind === 'things')
    return `${belt}, ${inSentence(task)}: of ${c.thing} ${inWords(c.wanted)} wanted, ${inWords(c.owned)} there. ${capital(inWords(c.turns))} ${plural(c.turns, 'turn')}, counted.`;
  if (c.kind === 'three')
    return `${listInWords(c.who.map(names.person))} are a three in ${inSentence(task)}, since nobody else is free: give them a turn more.`;
  if (c.why === 'rests')
    return `For ${names.person(c.who)} ${inSentence(task)} rests on that day: nobody is paired with them in it.`;
  return c.why === 'no consent'
    ? `${names.person(c.who)} has no consent to contact that counts: nobody is paired with them in ${inSentence(task)}.`
    : `Nobody stands in for ${names.person(c.who)} in ${inSentence(task)}: of the same or a higher rank, agreed to contact, and rested.`;
}

/** What can be given up when it runs late. */
export function slackInWords(s: Slack): string {
  const can = [s.pause > 0 && `break ${s.pause}`, s.panel > 0 && `the panel ${s.panel}`].filter(
    (x): x is string => x !== false,
  );
  const won = s.pause + s.panel;
  return won === 0
    ? 'Nothing can be given up: warm-up, falls and work with a partner are never cut.'
    : `${countOf(won, 'minute')} can be won back: ${can.join(', ')}. Warm-up, falls and work with a partner are never cut.`;
}

/** How far the laying out is. */
export const laidInWords = (l: Laid): string =>
  l.stage === 'done'
    ? l.bound === null
      ? 'Laid out.'
      : `Laid out: no day is more than ${Math.max(1, Math.ceil((l.cost / l.bound - 1) * 100))} in a hundred better.`
    : {
        'a first whole day': 'A first whole day stands.',
        'bettering it': 'Bettering it…',
        'how good it can be': 'Looking how good it can be…',
        'the last minutes': 'The last minutes…',
      }[l.stage];

/** What has changed since the day was laid out; empty: nothing. */
export function dayChangesInWords(
  was: readonly { id: string; belt: string; minutes: number; people: readonly string[] }[],
  now: readonly DayGroup[],
  person: (id: string) => string,
): string[] {
  const before = new Set(was.flatMap((g) => g.people));
  const after = new Set(now.flatMap((g) => g.people));
  const gone = [...before].filter((p) => !after.has(p)).map(person);
  const come = [...after].filter((p) => !before.has(p)).map(person);
  const out = [
    ...(gone.length > 0 ? [`${listInWords(gone, 4)} ${gone.length === 1 ? 'is' : 'are'} out.`] : []),
    ...(come.length > 0 ? [`${listInWords(come, 4)} ${come.length === 1 ? 'has' : 'have'} come to it.`] : []),
  ];
  const minutes = new Map(was.map((g) => [g.id, g.minutes]));
  for (const g of now) {
    const m = minutes.get(g.id);
    if (m !== undefined && m !== g.minutes)
      out.push(`${g.belt} takes ${countOf(Math.abs(g.minutes - m), 'minute')} ${g.minutes < m ? 'less' : 'more'}.`);
    if (m === undefined) out.push(`${g.belt} stands nowhere yet.`);
  }
  for (const g of was) if (!now.some((n) => n.id === g.id)) out.push(`${g.belt} is not needed any more.`);
  return out;
}
