import type { KitStudent, LookKitView, WorthShown } from '../../../contracts/views';
import {
  adaptationsOn,
  addDays,
  ageOn,
  consentOf,
  daysBetween,
  isMinor,
  itemKey,
  praiseInWords,
  SIDES,
  type Item,
  type LookWorth,
  type Rest,
  type Resting,
} from '../../../core';
import type { RollRow } from '../../../data/queries/roll';
import { groundsOf } from '../../belief/chance';
import { focusOf, type GivenRow } from '../../belief/focus';
import type { SchoolBeliefs } from '../../belief/school';
import { worthsOf } from '../../belief/worth';
import { judgeStudent } from '../../judging/judge';
import type { Judging } from '../../judging/judging';
import type { rankAbove } from '../../judging/rankAbove';
import { requirementNames } from '../../judging/requirementNames';
import { restingPoints, restOf } from '../../judging/rests';
import { staleEarlier } from '../../judging/stale';
import { focusShown, slipShown } from './slip';

/** Whoever came within so many days may be on the line tonight: for them it is worked out what is worth a look. */
const MAY_COME = 60;

interface Beside {
  given: GivenRow | undefined;
  resting: readonly Resting[];
  grading: string | null;
  most: number;
  placeOf: ReadonlyMap<string, number>;
  points: LookKitView['points'];
  /** All that can be looked at. */
  items: readonly Item[];
}

/** A student as the mat takes them along, besides what is noted of their body, their strikes and their pictures. */
export function studentInKit(
  j: Judging,
  school: SchoolBeliefs,
  x: RollRow,
  next: ReturnType<typeof rankAbove>,
  { given, resting, grading, most, placeOf, points, items }: Beside,
): KitStudent {
  const { versionId, gates } = j.syllabusOf(x);
  const own = [...adaptationsOn(j.adaptations.get(x.id), j.today).values()];
  const comes = x.lastHere === null || daysBetween(x.lastHere, j.today) <= MAY_COME;
  const judged = next && comes ? judgeStudent(j, x, next.id) : [];
  const guided = comes ? focusOf(j, x, judged, given) : null;
  const nameOf = requirementNames(j, x);
  // Where the next belt's gate asks that earlier belts are fresh, what has faded is worth a look too.
  const asksFresh = next && comes && gates.some((g) => g.rankId === next.id && g.kind === 'earlier ranks fresh');
  const open = asksFresh ? [...judged, ...staleEarlier(j, x)] : judged;
  return {
    id: x.id,
    name: x.name,
    rankId: x.rankId,
    age: x.born ? ageOn(x.born, j.today) : null,
    cameOfAge: opensByAge(gates, next, x.born, j.today),
    minor: isMinor(x.born, j.today, j.ofAge),
    lastHere: x.lastHere,
    waived: own.filter((a) => a.waived).map((a) => a.pointId),
    adapted: Object.fromEntries(
      own.filter((a) => !a.waived).map((a) => [a.pointId, { range: a.range, share: a.share }]),
    ),
    focus: guided?.focus ? focusShown(guided.focus, nameOf) : null,
    slips: guided?.slipping.slice(0, 6).map((y) => slipShown(y, nameOf)) ?? [],
    praise: guided ? praiseInWords(guided.praise, j.today) : '',
    resting: resting.map((r) => ({
      what: r.what,
      until: r.until,
      pause: r.itemKey !== null,
      ...(r.impact ? { impact: r.impact } : {}),
    })),
    rests: restsShown(j, resting, items),
    rung: consentOf(j.consents.get(x.id), x.born, j.today, j.ofAge),
    follows: versionId ?? '',
    worths: worthsOf(j, groundsOf(j, school, x), x, open, grading, resting)
      .sort((a, b) => b.settles - a.settles || sum(b) - sum(a))
      .slice(0, most)
      .flatMap((w) => {
        const r = placeOf.get(w.requirementId);
        return r === undefined ? [] : [worthShown(w, r, points[w.itemKey] ?? [])];
      }),
  };
}

/** A birthday is news for so many days: classes are not every day. */
const BIRTHDAY = 7;

/** The next belt, where a birthday of the last days has opened its gate of age. */
function opensByAge(
  gates: readonly { rankId: string; kind: string; amount: number }[],
  next: { id: string; name: string } | null | undefined,
  born: string | null,
  today: string,
): string | null {
  const gate = next && gates.find((g) => g.rankId === next.id && g.kind === 'age');
  if (!gate || born === null) return null;
  const before = ageOn(born, addDays(today, -BIRTHDAY));
  return ageOn(born, today) >= gate.amount && before < gate.amount ? next.name : null;
}

/** What of all that can be looked at rests for somebody; few have anything open. */
function restsShown(j: Judging, resting: readonly Resting[], items: readonly Item[]): KitStudent['rests'] {
  if (resting.length === 0) return {};
  return Object.fromEntries(
    items.flatMap((item) => {
      const shown = (rest: Rest) => ({
        what: rest.what,
        until: rest.until,
        points: restingPoints(j, item, rest),
      });
      const anywhere = restOf(j, item, resting, null);
      const key = itemKey(item);
      // What does not rest in the air, or not all of it, may rest where it lands on something.
      const landing = j.versions.conditions.flatMap((c) => {
        const rest = c.gear === null || anywhere?.parts === null ? null : restOf(j, item, resting, c.id);
        return rest?.impact ? [[`${key}@${c.id}`, shown(rest)] as const] : [];
      });
      return [...(anywhere ? [[key, shown(anywhere)] as const] : []), ...landing];
    }),
  );
}

function worthShown(w: LookWorth & { reason: string }, r: number, points: LookKitView['points'][string]): WorthShown {
  const place = new Map(points.map((p, i) => [p.id, i]));
  return {
    r,
    word: w.word,
    reason: w.reason,
    freshUntil: w.freshUntil,
    settles: thousandths(w.settles) / 1000,
    hurts: w.hurts,
    points: w.points.flatMap((p) => [
      place.get(p.point.id)!,
      SIDES.indexOf(p.side),
      thousandths(p.gain),
      thousandths(p.stands),
    ]),
  };
}

const thousandths = (x: number) => Math.round(x * 1000);

const sum = (w: { points: readonly { gain: number }[] }) => w.points.reduce((n, p) => n + p.gain, 0);
