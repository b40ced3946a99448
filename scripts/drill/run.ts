// The drill: kills, captive pages, a full disk, wrong clocks, spoiled input, hostile files, races; and what became of the
// marks. Every row can show its fault: it counts what stands in the database against what was done on the tablets.
import { spawnSync } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { nextToSend } from '../../src/kit/deviceQueue/queue';
import { School, until, wait } from './school';
import { network, Tablet, type Weather } from './tablet';

const short = process.argv.includes('--short');
const asJson = process.argv.includes('--json');
const TABLETS = short ? 6 : 20;
const KILLS = short ? { app: 3, database: 1, every: 2500 } : { app: 25, database: 6, every: 11_500 };
/** So long may a mark wait through all that, in seconds, and so long may getting up take. */
const LONGEST_WAIT = 90;
const LONGEST_UP = 60_000;

interface Row {
  id: string;
  what: string;
  value: number | null;
  goal: number;
  ok: boolean;
}
const rows: Row[] = [];
const row = (id: string, what: string, value: number | null, goal: number) => {
  const one = { id, what, value, goal, ok: value !== null && value <= goal };
  rows.push(one);
  if (!asJson)
    console.log(`${one.ok ? 'ok ' : 'NOT'} ${id.padEnd(22)} ${String(value).padStart(8)} (at most ${goal})  ${what}`);
};

const newHome = () => {
  const home = mkdtempSync(path.join(os.tmpdir(), 'drill-'));
  chmodSync(home, 0o755);
  return home;
};

/** Lets tablets mark for a while with something happening meanwhile, then waits until all have sent. */
async function evening(school: School, weather: Weather, happens: (tablets: Tablet[]) => Promise<void>) {
  const tablets = Array.from({ length: TABLETS }, (_, i) => new Tablet(school, weather, i));
  const sending = tablets.map((t) => t.sending());
  let marking = true;
  const marks = tablets.map(async (t) => {
    while (marking) {
      t.mark();
      await wait(250 + 20 * tablets.indexOf(t));
    }
  });
  await happens(tablets);
  marking = false;
  await Promise.all(marks);
  // What stands aside, and what waits behind that, stays.
  const sent = await until(() => tablets.every((t) => nextToSend(t.here, 'me', new Set()) === null), 180_000);
  for (const t of tablets) t.stop();
  await Promise.all(sending);
  return { tablets, sent };
}

/** What the database has of what was made: how many are lost, and how many stand twice. */
async function kept(school: School, tablets: readonly Tablet[]) {
  const made = tablets.flatMap((t) => t.made);
  const there = new Map(
    (await school.query<{ id: string; n: number }>('select id::text, count(*)::int as n from look group by 1')).map(
      (l) => [l.id, l.n],
    ),
  );
  const [twice] = await school.query<{ n: number }>(
    'select count(*)::int as n from (select replaces from look where replaces is not null group by 1 having count(*) > 1) x',
  );
  const mine = new Set(made);
  return {
    made: made.length,
    lost: made.filter((id) => !there.has(id)).length,
    doubled: [...there].filter(([id, n]) => n > 1 || !mine.has(id)).length + twice!.n,
  };
}
const longest = (tablets: readonly Tablet[]) => Math.round(Math.max(...tablets.map((t) => t.longest)) / 1000);

async function kills(): Promise<void> {
  const home = newHome();
  const school = new School(home);
  const weather: Weather = { captive: null, clock: 0, faults: 0 };
  await school.start();
  await school.fill(30);
  network(school, weather);
  let down = 0;
  const { tablets } = await evening(school, weather, async () => {
    const order = [
      ...Array.from({ length: KILLS.app }, () => 'app' as const),
      ...Array.from({ length: KILLS.database }, () => 'database' as const),
    ].sort((a, b) => (a + b).length % 3 || 1);
    for (const [i, what] of order.entries()) {
      await wait(KILLS.every);
      // Every fifth of the database's comes while the server is still down.
      if (what === 'app' || i % 5 === 0) school.killServer();
      if (what === 'database') school.killDatabase();
      if ((await until(() => school.healthy(), LONGEST_UP)) === null) down += 1;
    }
    if (!short) return;
    weather.captive = 200;
    await wait(1500);
    weather.captive = null;
  });
  const now = await kept(school, tablets);
  row(
    'kills-lost',
    `of ${now.made} marks of ${TABLETS} tablets, lost under ${KILLS.app} kills of the app and ${KILLS.database} of the database`,
    now.lost,
    0,
  );
  row('kills-doubled', 'marks or corrections that stand twice', now.doubled, 0);
  row('kills-faults', 'answers with 500', weather.faults, 0);
  row('kills-down', 'falls without getting up', down, 0);
  row('kills-wait', 'longest time a mark waited, in seconds', longest(tablets), LONGEST_WAIT);

  if (!short) {
    const captive = await evening(school, weather, async () => {
      for (const status of [200, 302, 403, 404, 511, 200]) {
        weather.captive = status;
        await wait(4000);
        weather.captive = null;
        await wait(1500);
      }
    });
    const after = await kept(school, [...tablets, ...captive.tablets]);
    row('captive-lost', 'marks lost to a page in between', after.lost, 0);
    row('captive-aside', 'marks that such a page made stand aside', captive.tablets.flatMap((t) => t.here).length, 0);

    weather.clock = -3 * 86_400_000;
    const off = await evening(school, weather, async () => wait(4000));
    row(
      'clock-taken',
      'looks of clocks three days off that were taken unasked',
      off.tablets.reduce((n, t) => n + t.made.length - t.here.length, 0),
      0,
    );
    // The clocks are set, and each is taken as is offered: also what waited behind, whose date nobody sees any more.
    weather.clock = 0;
    for (const t of off.tablets) {
      const again = new Tablet(school, weather, 0);
      again.here = t.here;
      for (let i = 0; i < 9 && again.here.length > 0; i += 1) {
        again.mend();
        await again.run();
      }
      t.here = again.here;
    }
    const [wrong] = await school.query<{ n: number }>(`select count(*)::int as n from look where day < current_date`);
    row(
      'clock-lost',
      'of those, not taken as of the server’s time',
      off.tablets.flatMap((t) => t.here).length + wrong!.n,
      0,
    );
  }
  if (!short) await flood(school, weather);
  const code = await school.stop();
  row('stop', 'exit code of the start command', code, 0);
  rmSync(home, { recursive: true, force: true });
}

/** One student asks for thirty pages at once, again and again, while a tablet marks. */
async function flood(school: School, weather: Weather): Promise<void> {
  const headers = await school.student();
  const { id } = school.kit.students[0]!;
  const tablet = new Tablet(school, weather, 3);
  let on = true;
  let asked = 0;
  const pages = Array.from({ length: 30 }, async () => {
    while (on) {
      asked += 1;
      await fetch(`${school.url}/students/${id}`, { headers, redirect: 'manual' }).then((r) => r.text());
    }
  });
  const waits: number[] = [];
  for (let i = 0; i < 60; i += 1) {
    tablet.mark();
    const began = performance.now();
    await tablet.run();
    waits.push(performance.now() - began);
    await wait(100);
  }
  on = false;
  await Promise.all(pages);
  waits.sort((a, b) => a - b);
  row(
    'flood-wait',
    `milliseconds that 19 of 20 marks took while a student asked for ${asked} pages, thirty at once`,
    Math.round(waits[Math.floor(waits.length * 0.95)]!),
    500,
  );
  row('flood-lost', 'marks not taken meanwhile', tablet.here.length, 0);
}

/** A disk of its own, small, and filled to the last byte while tablets mark. */
async function fullDisk(): Promise<void> {
  const home = newHome();
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', 'size=220m,mode=755', 'tmpfs', home]).status === 0;
  if (!mounted) {
    row('disk-lost', 'not tried: this user may not mount a small disk', null, 0);
    return;
  }
  const school = new School(home);
  const weather: Weather = { captive: null, clock: 0, faults: 0 };
  try {
    await school.start();
    await school.fill(30);
    network(school, weather);
    const filler = path.join(home, 'filler');
    let recovered: number | null = null;
    const { tablets } = await evening(school, weather, async () => {
      await wait(3000);
      const fill = () => {
        for (let size = 64 << 20; size >= 4096; size >>= 1)
          for (let n = 0; statfsSync(home).bavail * statfsSync(home).bsize > size && n < 8; n += 1)
            try {
              writeFileSync(filler, Buffer.alloc(size), { flag: 'a' });
            } catch {
              break;
            }
      };
      for (let i = 0; i < 15; i += 1) {
        fill();
        await wait(1000);
      }
      rmSync(filler, { force: true });
      const back = await until(() => school.healthy(), 90_000);
      recovered = back === null ? null : Math.round(back / 1000);
    });
    const now = await kept(school, tablets);
    row('disk-lost', `of ${now.made} marks, lost to a full disk`, now.lost, 0);
    row('disk-faults', 'answers with 500 while it was full', weather.faults, 0);
    row('disk-back', 'seconds until all went by itself after there was room', recovered, 60);
    await school.stop();
  } finally {
    await wait(500);
    spawnSync('umount', ['-l', home]);
    rmSync(home, { recursive: true, force: true });
  }
}

/** Spoiled inputs, hostile files and races are driven through the same doors by the tests, here in their long version. */
function doors(): void {
  const done = spawnSync(
    'npx',
    [
      'vitest',
      'run',
      '--project',
      'database',
      '--reporter=json',
      'src/server/commands/door.test.ts',
      'src/server/commands/races.test.ts',
    ],
    { encoding: 'utf8', env: { ...process.env, FUZZ: '3000', FILES: '200' }, maxBuffer: 1 << 28 },
  );
  const from = done.stdout.indexOf('{"numTotal');
  const said =
    from < 0
      ? null
      : (JSON.parse(done.stdout.slice(from)) as {
          testResults: { assertionResults: { title: string; status: string }[] }[];
        });
  const all = said?.testResults.flatMap((f) => f.assertionResults) ?? null;
  const failed = (words: RegExp) =>
    all ? all.filter((a) => words.test(a.title) && a.status !== 'passed').length : null;
  row('fuzz', '3,000 spoiled inputs: tests that found a fault', failed(/taken or refused in words/), 0);
  row('files', '200 hostile files: tests that found a fault', failed(/hostile file/), 0);
  row(
    'races',
    'races of 14 and the same command twice: tests that found a fault',
    failed(/(once|at once|rights|sign-in)/),
    0,
  );
}

await kills();
if (!short) {
  await fullDisk();
  doors();
}
if (asJson) process.stdout.write(`${JSON.stringify(rows)}\n`);
process.exitCode = rows.every((r) => r.ok) ? 0 : 1;
