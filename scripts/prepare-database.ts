// Migrates and guards the database at OWNER_URL, and with DEMO=1 fills Causeway Hall if nobody is there yet.
// With STANDINGS=1 what is known of every student is compared with the looks, and made anew from them.
// Called by scripts/run.mjs and the tests with the roles' passwords in the environment.
import { prepareDatabase } from '../src/data/prepare';
import { fillDemo } from '../src/data/demo/fill';
import { sampleTables } from '../src/data/sampleTables';
import { certifyDemo } from '../src/server/certificates/demo';
import { standAnew } from '../src/data/standAnew';

const need = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is missing`);
  return value;
};

await prepareDatabase(need('OWNER_URL'), {
  app: { name: need('APP_ROLE'), password: need('APP_PASSWORD') },
  auth: { name: need('AUTH_ROLE'), password: need('AUTH_PASSWORD') },
});
let filled: Awaited<ReturnType<typeof fillDemo>> = null;
if (process.env['DEMO'] === '1') {
  filled = await fillDemo(need('APP_DATABASE_URL'), process.env['DEMO_TODAY']);
  if (filled) await certifyDemo(need('APP_DATABASE_URL'));
  if (filled) console.log(`Causeway Hall: ${filled.students} students, ${filled.looks} looks, ${filled.marks} marks.`);
}
if (process.env['STANDINGS'] === '1')
  for (const s of await standAnew(need('APP_DATABASE_URL'), need('AUTH_DATABASE_URL')))
    console.log(`${s.name}: what is known of the students is made anew; ${s.astray} said other than their looks.`);
await sampleTables(need('OWNER_URL'), filled !== null);
