// npm run judge: a simulated school with known truth, and how well judgement does on it. Honest figures, also where they
// fall short. `-- --json` prints an array of {id, what, value, goal, ok} and nothing else.
import { addDays, addMonths, TEMPLATES } from '../../src/core';
import {
  chancesAgainstTruth,
  contradictions,
  focusKept,
  looksToSettle,
  rangesThatHold,
  TOLERANCE,
} from '../../src/data/demo/proof/measures';
import { trueSchool } from '../../src/data/demo/proof/school';

const json = process.argv.includes('--json');
const say = (text: string) => (json ? process.stderr.write(`${text}\n`) : console.log(text));
const TODAY = '2026-03-05';
const round = (x: number, digits = 3) => Math.round(x * 10 ** digits) / 10 ** digits;

interface Line {
  id: string;
  what: string;
  value: number;
  goal: string;
  ok: boolean;
}
const lines: Line[] = [];
function note(line: Line) {
  lines.push(line);
  if (!json) console.log(`${line.id}  ${line.ok ? 'ok  ' : 'NOT '}  ${line.value}  (goal ${line.goal})  ${line.what}`);
}

say('A school of 180 people with known truth, watched for fourteen months…');
const school = trueSchool(TODAY, 11, 180, 14);
const days = [60, 30, 0].map((n) => addDays(TODAY, -n));

const wrong = contradictions(school, days);
note({
  id: 'verdicts',
  what: `share of ${wrong.verdicts} verdicts (met, or short for its share) by the default standard that lie more than ${TOLERANCE} off the true share`,
  value: round(wrong.wrong / wrong.verdicts),
  goal: '<= 0.05',
  ok: wrong.wrong / wrong.verdicts <= 0.05,
});

const ratios = school.ranks.slice(0, 4).flatMap((rank, i) => {
  const cohort = school.students.filter((s) => s.held.at(-1)!.rankId === rank.id).slice(0, 20);
  if (cohort.length < 8) return [];
  const from = addDays(TODAY, -120);
  const walked = looksToSettle(school, cohort, from, 'walking the line', 100 + i);
  const chosen = looksToSettle(school, cohort, from, 'worth a look', 100 + i);
  say(`   ${rank.name}: ${chosen} looks instead of ${walked}`);
  return walked === 0 ? [] : [{ walked, chosen }];
});
const walked = ratios.reduce((n, r) => n + r.walked, 0);
const chosen = ratios.reduce((n, r) => n + r.chosen, 0);
note({
  id: 'looks',
  what: `looks to settle nine in ten of what ${ratios.length} cohorts are asked: ${chosen} by “worth a look”, ${walked} walking the line (each stopped after 45 evenings)`,
  value: round(chosen / walked),
  goal: '<= 0.6',
  ok: chosen / walked <= 0.6,
});

say('The same school, watched for thirty months, to see what became of forecasts…');
const long = trueSchool(TODAY, 23, 180, 30, TEMPLATES[0]!.standard);
let [spoken, inside, early, late, silent] = [0, 0, 0, 0, 0];
for (const months of [20, 16, 12]) {
  const f = rangesThatHold(long, addMonths(TODAY, -months), TODAY, 200);
  spoken += f.spoken;
  inside += f.inside;
  early += f.early;
  late += f.late;
  silent += f.silent;
}
note({
  id: 'forecast',
  what: `cover, by the standard “shown”, of ${spoken} forecast ranges of eight in ten (${early} were earlier, ${late} later, ${silent} not given)`,
  value: round(inside / spoken),
  goal: '0.75 to 0.85',
  ok: inside / spoken >= 0.75 && inside / spoken <= 0.85,
});

const chances = chancesAgainstTruth(school, days, 5);
note({
  id: 'chance',
  what: `Brier score of ${chances.outcomes.length} chances on the day ${round(chances.brier)}, always saying the base rate of ${round(chances.rate, 2)} ${round(chances.base)}: better by`,
  value: round(1 - chances.brier / chances.base),
  goal: '>= 0.3',
  ok: 1 - chances.brier / chances.base >= 0.3,
});

const focus = focusKept(school, days);
note({
  id: 'focus',
  what: `share of ${focus.chosen} cases in which the focus is the one that the rule names, found in a second way`,
  value: round(focus.kept / focus.chosen, 4),
  goal: '= 1',
  ok: focus.kept === focus.chosen,
});

if (json) console.log(JSON.stringify(lines));
