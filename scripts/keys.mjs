// npm run keys: new passwords between server and database, all data kept. Everybody signs in once more afterwards.
import { asProgram, ensurePackages, Plain, say } from './machine.mjs';
import { clusterFolder, renewKeys } from './postgres.mjs';
import { runningIn } from './running.mjs';

await asProgram(async () => {
  if (process.env.DATABASE_URL) {
    ensurePackages();
    const { renewSharedKeys } = await import('./sharedKeys.mjs');
    await renewSharedKeys(process.env.DATABASE_URL);
    say('New passwords are made. Start every server of this database again; everybody signs in once more.');
    return;
  }
  const mode = process.argv.includes('demo') ? 'demo' : 'start';
  const folder = clusterFolder(mode === 'demo' ? 'demo' : 'school');
  if (runningIn(folder))
    throw new Plain('The school is open just now. Close it first (Ctrl+C where it runs), then make new keys.');
  await renewKeys(folder);
  say(
    `New passwords are made, all data is kept. Start it with npm ${mode === 'demo' ? 'run demo' : 'start'}; everybody signs in once more.`,
  );
});
