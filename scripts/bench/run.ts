import { hashPassword } from 'better-auth/crypto';
import { eq } from 'drizzle-orm';
import pg from 'pg';
import { v7 } from 'uuid';
import { inSchool, openDatabase, openPool } from '../../src/data/connection';
import { writeSchool } from '../../src/data/demo/write/school';
import { prepareDatabase } from '../../src/data/prepare';
import { person } from '../../src/data/tables';
import { account, user } from '../../src/data/tables/auth';
import { benchAge } from './age';
import { benchAlgebra } from './algebra';
import { benchExchange } from './exchange';
import { benchKeystroke } from './keystroke';
import { benchLandmarks } from './landmarks';
import { benchPairs } from './pairs';
import { benchReadiness } from './readiness';
import { benchCycle } from './cycle';
import { benchRunSheet } from './runSheet';
import { benchSchool, TODAY } from './school';
import { benchTablets } from './tablets';
import { benchWeight } from './weight';
import { benchYears } from './years';

const PASSWORD = 'only-for-the-bench';
const owner = process.env['BENCH_OWNER_URL']!;
const url = (role?: string) => {
  const u = new URL(owner);
  u.pathname = '/bench';
  if (role) [u.username, u.password] = [role, PASSWORD];
  return u.href;
};

/** Those that need no school: they are measured without one. */
const ALONE = ['P4', 'P5', 'P7', 'P10', 'P11', 'P12', 'S1'];
const only = process.argv
  .find((a) => a.startsWith('--only='))
  ?.slice(7)
  .split(',');
const pool = openPool(url('bench_app'), 16);
const ownerPool = openPool(url(), 16);
const db = openDatabase(pool);
const schoolId = v7();
const made = benchSchool();
const signIn = { email: 'bench@example.org', password: 'a password for the bench' };
if (!only || only.some((id) => !ALONE.includes(id))) await fill();

async function fill(): Promise<void> {
  const admin = new pg.Client({ connectionString: owner });
  await admin.connect();
  await admin.query('drop database if exists bench with (force)');
  await admin.query('create database bench');
  await admin.end();
  await prepareDatabase(url(), {
    app: { name: 'bench_app', password: PASSWORD },
    auth: { name: 'bench_auth', password: PASSWORD },
  });

  await inSchool(db, schoolId, async (tx) => {
    await writeSchool(tx, schoolId, 'Bench', made);
    const who = made.teachers[1]!;
    const id = v7();
    await tx.insert(user).values({ id, name: who.name, email: signIn.email, schoolId, personId: who.id });
    await tx.insert(account).values({
      id: v7(),
      userId: id,
      accountId: id,
      providerId: 'credential',
      password: await hashPassword(signIn.password),
    });
    await tx.update(person).set({ userId: id }).where(eq(person.id, who.id));
  });
  await ownerPool.query('analyze');
}

const env = {
  APP_DATABASE_URL: url('bench_app'),
  AUTH_DATABASE_URL: url('bench_auth'),
  SESSION_SECRET: 'only-for-the-bench-on-this-machine-0123',
};
type Measured = { id: string; what: string; ratio: number; goal: string; ok: boolean };
/** What each measure stands for is in docs/bench.md. */
const MEASURES: Record<string, () => Measured | Measured[] | Promise<Measured | Measured[]>> = {
  P1: () => benchReadiness(db, ownerPool, schoolId, TODAY, made),
  P2: () => benchTablets(ownerPool, schoolId, made, env, signIn),
  X1: () => benchExchange(db, ownerPool),
  P5: () => benchWeight(),
  P6: () => benchAge(db, ownerPool),
  P7: () => benchAlgebra(),
  P8: () => benchYears(db, ownerPool, env),
  P4: () => benchCycle(),
  P10: () => benchRunSheet(),
  P11: () => benchPairs(),
  P12: () => benchLandmarks(),
  S1: () => benchKeystroke(),
};
const results: Measured[] = [];
for (const [id, measure] of Object.entries(MEASURES))
  if (!only || only.includes(id)) results.push(...[await measure()].flat());
await pool.end();
await ownerPool.end();

if (process.argv.includes('--json')) process.stdout.write(`${JSON.stringify(results)}\n`);
else {
  console.log('\nid  ratio   goal                    ok   what');
  for (const r of results)
    console.log(
      `${r.id.padEnd(3)} ${r.ratio.toFixed(2).padStart(5)}   ${r.goal.padEnd(22)}  ${r.ok ? 'yes' : 'no '}  ${r.what}`,
    );
}
