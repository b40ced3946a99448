// npm run judge: a simulated school with known truth, and how well judgement does on it. Honest figures, also where they
// fall short. `-- --json` prints an array of {id, what, value, goal, ok} and nothing else.
import { addDays, addMonths, seeded, STEADY, TEMPLATES } from '../../src/core';
import { calledMet } from '../../src/data/demo/proof/curve';
import { calibrationOf, chancesAgainstTruth } from '../../src/data/demo/proof/chances';
import { focusKept } from '../../src/data/demo/proof/focus';
import { rangesThatHold } from '../../src/data/demo/proof/forecasts';
import { looksToSettle } from '../../src/data/demo/proof/looks';
import { beltsAgainstTruth, contradictions, TOLERANCE } from '../../src/data/demo/proof/verdicts';
import { panelsAgainstTruth } from '../../src/data/demo/proof/panels';
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

const CURVE = 4000;
for (const [id, what, shares, goal, ok] of [
  ['curve-met', 'others 0.90, critical ones 0.97', { others: 0.9, critical: 0.97 }, '>= 0.8', (x: number) => x >= 0.8],
  ['curve-not', 'others 0.70, critical ones 0.80', { others: 0.7, critical: 0.8 }, '<= 0.05', (x: number) => x <= 0.05],
  [
    'curve-one',
    '0.95 everywhere but one critical point at 0.75',
    { others: 0.95, critical: 0.95, weakest: 0.75 },
    '<= 0.15',
    (x: number) => x <= 0.15,
  ],
] as const) {
  const value = calledMet(shares, seeded(7), CURVE);
  note({
    id,
    what: `how often of ${CURVE} a two-sided item of 8 to 11 points, three critical, is called met by “steady” after nine looks at each, by true share: ${what}`,
    value: round(value),
    goal,
    ok: ok(value),
  });
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

say('Two schools, watched for thirty months, to see what became of forecasts…');
// One school gives some two hundred and thirty ranges: too few to tell 0.74 from 0.77.
let [spoken, inside, early, late, silent, open] = [0, 0, 0, 0, 0, 0];
for (const seed of [23, 31]) {
  const long = trueSchool(TODAY, seed, 180, 30, TEMPLATES[0]!.standard);
  for (const months of [20, 16, 12]) {
    const f = rangesThatHold(long, addMonths(TODAY, -months), TODAY, 200);
    spoken += f.spoken;
    inside += f.inside;
    early += f.early;
    late += f.late;
    silent += f.silent;
    open += f.open;
  }
}
note({
  id: 'forecast',
  what: `cover, by the standard “shown”, of ${spoken} forecast ranges of eight in ten (${early} were earlier, ${late} later, ${silent} not given; ${open} have an open end)`,
  value: round(inside / spoken),
  goal: '0.75 to 0.85',
  ok: inside / spoken >= 0.75 && inside / spoken <= 0.85,
});

say('And once more by the standard “steady”…');
const steady = trueSchool(TODAY, 29, 180, 30, STEADY);
let got = { spoken: 0, inside: 0, early: 0, late: 0, silent: 0, there: 0, told: 0, open: 0 };
for (const months of [20, 16, 12]) {
  const f = rangesThatHold(steady, addMonths(TODAY, -months), TODAY, 200);
  got = Object.fromEntries(Object.entries(got).map(([k, n]) => [k, n + f[k as keyof typeof f]])) as typeof got;
}
note({
  id: 'forecast-steady',
  what: `cover of ${got.spoken} forecast ranges by “steady” (${got.early} were earlier, ${got.late} later, ${got.silent} not given; ${got.open} have an open end); of ${got.there} who truly get there within two years ${got.told} are given a range (goal of that 0.8)`,
  value: round(got.inside / got.spoken),
  goal: '0.75 to 0.85',
  ok: got.inside / got.spoken >= 0.75 && got.inside / got.spoken <= 0.85 && got.told >= 0.8 * got.there,
});

const chances = chancesAgainstTruth(school, days, 5);
note({
  id: 'chance',
  what: `Brier score of ${chances.outcomes.length} chances on the day ${round(chances.brier)}, always saying the base rate of ${round(chances.rate, 2)} ${round(chances.base)}: better by`,
  value: round(1 - chances.brier / chances.base),
  goal: '>= 0.3',
  ok: 1 - chances.brier / chances.base >= 0.3,
});

note({
  id: 'brier',
  what: 'the same, held against a stricter goal',
  value: round(1 - chances.brier / chances.base),
  goal: '>= 0.5',
  ok: 1 - chances.brier / chances.base >= 0.5,
});
const calibration = calibrationOf(chances.outcomes);
note({
  id: 'calibration',
  what: `without any correction: said on average ${round(calibration.said)}, came ${round(calibration.came)}; the worst tenth with 20 cases or more is off by ${round(calibration.worst)} (goal of that 0.12)`,
  value: round(Math.abs(calibration.said - calibration.came)),
  goal: '<= 0.05',
  ok: Math.abs(calibration.said - calibration.came) <= 0.05 && calibration.worst <= 0.12,
});

const belts = beltsAgainstTruth(school, days);
note({
  id: 'belt',
  what: `share of ${belts.cases} belts, everything asked having been watched often enough, in which “nothing missing” or not agrees with an examiner who knows every true share (${belts.falsely} called met that are not, ${belts.missed} not called met that are)`,
  value: round(belts.agree / belts.cases),
  goal: '>= 0.8',
  ok: belts.agree / belts.cases >= 0.8,
});

const focus = focusKept(school, days);
note({
  id: 'focus',
  what: `share of ${focus.chosen} cases in which the focus is the one that the rule names, found in a second way`,
  value: round(focus.kept / focus.chosen, 4),
  goal: '= 1',
  ok: focus.kept === focus.chosen,
});

const panels = panelsAgainstTruth(school, TODAY, 5);
note({
  id: 'leniency',
  what: 'share of shifts of three examiners (even, kind, hard) on 100 panels of 12 candidates that lie within their interval',
  value: round(panels.within),
  goal: '>= 0.9',
  ok: panels.within >= 0.9,
});
note({
  id: 'panel',
  what: `share of 1,200 candidates of whom the rule makes of three erring sheets what it makes of what was truly shown; the majority of what each would decide alone: ${round(panels.majority)}`,
  value: round(panels.ours),
  goal: '> majority',
  ok: panels.ours > panels.majority,
});

if (json) console.log(JSON.stringify(lines));
