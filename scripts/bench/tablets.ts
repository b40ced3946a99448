// P2: tablets that bring an evening home, and cards that come one by one, against the driver inserting the same rows.
import { fork } from 'node:child_process';
import http from 'node:http';
import type pg from 'pg';
import { v7 } from 'uuid';
import { median, quantile, timed } from './timing';
import type { DemoSchool } from '../../src/data/demo/generate';

const TABLETS = 200;
const LOOKS_EACH = 8;
const ROUNDS = 5;
const MARKS_EACH = 8;

interface Sent {
  id: string;
  studentId: string;
  techniqueId: string;
  conditionId: string;
  points: string[];
}

function cards(made: DemoSchool, n = TABLETS * LOOKS_EACH): Sent[] {
  const rich = made.techniques.filter((t) => t.points.some((p) => p.kind !== 'measured'));
  const points = rich.flatMap((t) => t.points.filter((p) => p.kind === 'seen').map((p) => p.id));
  return Array.from({ length: n }, (_, i) => ({
    id: v7(),
    studentId: made.students[i % made.students.length]!.id,
    techniqueId: rich[i % rich.length]!.id,
    conditionId: made.conditions[3]!.id,
    points: Array.from({ length: MARKS_EACH }, (_, k) => points[(i + k * 5) % points.length]!),
  }));
}

/** The same rows as a look leaves behind, one transaction a look, as many connections as the server has. */
async function direct(pool: pg.Pool, schoolId: string, by: string, all: Sent[]): Promise<number> {
  const queue = [...all];
  const t = performance.now();
  await Promise.all(
    Array.from({ length: 16 }, async () => {
      const client = await pool.connect();
      for (let s = queue.pop(); s; s = queue.pop()) {
        await client.query('begin');
        await client.query({
          name: 'look',
          text: `insert into look (school_id, id, student_id, technique_id, condition_id, day, at, side, by) values ($1,$2,$3,$4,$5,current_date,now(),'left',$6)`,
          values: [schoolId, s.id, s.studentId, s.techniqueId, s.conditionId, by],
        });
        const values = s.points.map((_, i) => `($1,$2,$${i + 3},'seen',5,5)`).join(',');
        await client.query({
          name: 'marks',
          text: `insert into mark (school_id, look_id, point_id, kind, held, of) values ${values}`,
          values: [schoolId, s.id, ...s.points],
        });
        await client.query({
          name: 'history',
          text: `insert into history (school_id, id, command, by, made_at, input, answer) values ($1,$2,'look.record',$3,now(),$4,'{}')`,
          values: [schoolId, s.id, by, JSON.stringify(s)],
        });
        await client.query('commit');
      }
      client.release();
    }),
  );
  return performance.now() - t;
}

const commandOf = (s: Sent) => ({
  id: s.id,
  at: new Date().toISOString(),
  name: 'look.record',
  input: {
    id: s.id,
    studentId: s.studentId,
    techniqueId: s.techniqueId,
    conditionId: s.conditionId,
    day: new Date().toISOString().slice(0, 10),
    at: new Date().toISOString(),
    side: 'left',
    purpose: null,
    replaces: null,
    note: '',
    marks: s.points.map((pointId) => ({ pointId, kind: 'seen', held: 5, of: 5 })),
  },
});

export async function serve(env: Record<string, string>, port: number) {
  const server = fork('scripts/serve.mjs', {
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
    env: { ...process.env, ...env, HOST: '127.0.0.1', PORT: String(port), NODE_ENV: 'production' },
  });
  await new Promise((resolve) => server.once('message', resolve));
  return server;
}

export function post(
  port: number,
  path: string,
  body: string,
  cookie: string,
  agent: http.Agent,
): Promise<{ status: number; cookie: string; body: string }> {
  return new Promise((resolve, reject) => {
    const r = http.request(
      {
        host: '127.0.0.1',
        port,
        path,
        method: 'POST',
        agent,
        headers: {
          'content-type': 'application/json',
          origin: `http://127.0.0.1:${port}`,
          cookie,
          'content-length': Buffer.byteLength(body),
        },
      },
      (res) => {
        let text = '';
        res.on('data', (d: Buffer) => (text += d.toString()));
        res.on('end', () =>
          resolve({
            status: res.statusCode ?? 0,
            cookie: (res.headers['set-cookie'] ?? []).map((c) => c.split(';')[0]).join('; '),
            body: text,
          }),
        );
      },
    );
    r.on('error', reject);
    r.end(body);
  });
}

export async function benchTablets(
  pool: pg.Pool,
  schoolId: string,
  made: DemoSchool,
  env: Record<string, string>,
  signIn: { email: string; password: string },
) {
  const by = made.teachers[1]!.id;
  const port = 4390;
  const server = await serve(env, port);
  try {
    const agent = new http.Agent({ keepAlive: true, maxSockets: TABLETS });
    const signed = await post(port, '/api/auth/sign-in/email', JSON.stringify(signIn), '', agent);
    if (signed.status !== 200) throw new Error(`sign-in: ${signed.status} ${signed.body}`);
    const send = (s: Sent) => post(port, '/api/commands', JSON.stringify(commandOf(s)), signed.cookie, agent);
    for (const s of cards(made).slice(0, 400)) await send(s);
    // As fast as they can: how much the server takes. Both ways in turn, so that what else the machine does hits both.
    const byDriver: number[] = [];
    const byTablets: number[] = [];
    for (let round = 0; round < ROUNDS; round += 1) {
      byDriver.push(await direct(pool, schoolId, by, cards(made)));
      const all = cards(made);
      byTablets.push(
        await timed(() =>
          Promise.all(
            Array.from({ length: TABLETS }, async (_, k) => {
              for (let i = 0; i < LOOKS_EACH; i += 1) {
                const a = await send(all[k * LOOKS_EACH + i]!);
                if (a.status !== 200) throw new Error(`${a.status} ${a.body}`);
              }
            }),
          ),
        ),
      );
    }
    const [baseline, ours] = [median(byDriver), median(byTablets)];
    // As tablets do: a card about every eight seconds each; how long one waits.
    const waits: number[] = [];
    const paced = cards(made);
    const began = performance.now();
    await Promise.all(
      Array.from({ length: TABLETS }, async (_, k) => {
        for (let i = 0; i < 3; i += 1) {
          const due = began + i * 4000 + (k / TABLETS) * 4000;
          await new Promise((resolve) => setTimeout(resolve, Math.max(0, due - performance.now())));
          const w = performance.now();
          const a = await send(paced[k * LOOKS_EACH + i]!);
          waits.push(performance.now() - w);
          if (a.status !== 200) throw new Error(`${a.status} ${a.body}`);
        }
      }),
    );
    const n = TABLETS * LOOKS_EACH * MARKS_EACH;
    const p95 = quantile(waits, 0.95);
    const ratio = median(byDriver.map((d, i) => d / byTablets[i]!));
    const evening = await broughtHome(pool, schoolId, by, made, (body, own) =>
      post(port, '/api/commands/batch', body, signed.cookie, own),
    );
    return [
      {
        id: 'P2',
        what: `${HOME} tablets bring ${BACKLOG} looks home each: ${evening.marks} marks a second, ${evening.direct} with the driver directly, a look a transaction as a card by itself`,
        ratio: evening.ratio,
        goal: '>= 0.5',
        ok: evening.ratio >= 0.5,
      },
      {
        id: 'P2s',
        what: `${Math.round((n / ours) * 1000)} marks a second from ${TABLETS} tablets card by card, ${Math.round((n / baseline) * 1000)} with the driver directly; p95 ${p95.toFixed(0)} ms at a card every 4 s each`,
        ratio,
        goal: '>= 0.25, p95 <= 100 ms',
        ok: ratio >= 0.25 && p95 <= 100,
      },
    ];
  } finally {
    server.kill('SIGKILL');
  }
}

/** Tablets that were without a network all evening, and the looks each has. */
const HOME = 8;
const BACKLOG = 1000;
/** As the queue of the device sends them. */
const AT_ONCE = 50;

/** All of them come into the network at the same moment. */
async function broughtHome(
  pool: pg.Pool,
  schoolId: string,
  by: string,
  made: DemoSchool,
  send: (body: string, agent: http.Agent) => Promise<{ status: number; body: string }>,
) {
  const ratios: number[] = [];
  const [ours, direct_]: [number[], number[]] = [[], []];
  for (let round = 0; round < 3; round += 1) {
    direct_.push(await direct(pool, schoolId, by, cards(made, HOME * BACKLOG)));
    const all = cards(made, HOME * BACKLOG);
    // New connections: the server has closed those that were idle meanwhile.
    const agent = new http.Agent({ keepAlive: true, maxSockets: HOME });
    ours.push(
      await timed(() =>
        Promise.all(
          Array.from({ length: HOME }, async (_, k) => {
            const mine = all.slice(k * BACKLOG, (k + 1) * BACKLOG);
            for (let i = 0; i < mine.length; i += AT_ONCE) {
              const a = await send(JSON.stringify({ commands: mine.slice(i, i + AT_ONCE).map(commandOf) }), agent);
              const { answer } = JSON.parse(a.body) as { answer?: { status: number }[] };
              if (!answer || answer.length === 0 || answer.some((x) => x.status !== 200))
                throw new Error(`${a.status} ${a.body.slice(0, 300)}`);
            }
          }),
        ),
      ),
    );
    ratios.push(direct_.at(-1)! / ours.at(-1)!);
  }
  const perSecond = (ms: number) => Math.round((HOME * BACKLOG * MARKS_EACH * 1000) / ms);
  return { ratio: median(ratios), marks: perSecond(median(ours)), direct: perSecond(median(direct_)) };
}
