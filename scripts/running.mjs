// Who is running: one file beside the database names the start command and its server by process and the moment they
// began, so that a later start knows its own orphans from strangers that were given the same number.
import { execFileSync } from 'node:child_process';
import { mkdirSync, readFileSync, rmSync } from 'node:fs';
import path from 'node:path';
import { readKept, writeKept } from './kept.mjs';

const fileIn = (folder) => path.join(folder, 'running.json');

/** When a process began, in the system's own words; null where there is no such process. */
export function begunAt(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // The name in the second field may hold anything, also spaces; the third begins behind its last bracket.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    // A dead child that nobody has fetched yet does not run any more.
    if (fields[0] === 'Z') return null;
    const boot = readFileSync('/proc/sys/kernel/random/boot_id', 'utf8').trim();
    return `${boot} ${fields[19]}`;
  } catch {
    if (process.platform === 'linux') return null;
    try {
      return execFileSync('ps', ['-o', 'lstart=', '-p', String(pid)], { encoding: 'utf8' }).trim() || null;
    } catch {
      return null;
    }
  }
}

export const named = (pid) => ({ pid, begun: begunAt(pid) });
export const isAlive = (p) => Boolean(p && p.begun !== null && begunAt(p.pid) === p.begun);

/** The start command that runs with this folder, or null. */
export function runningIn(folder) {
  const read = readKept(fileIn(folder));
  return read.ok && isAlive(read.value.command) ? read.value : null;
}

/** What a start command that is gone left running, or null. */
export function orphanIn(folder) {
  const read = readKept(fileIn(folder));
  return read.ok && !isAlive(read.value.command) && isAlive(read.value.server) ? read.value.server : null;
}

/** Writes down who runs here. */
export function writeRunning(folder, running) {
  mkdirSync(folder, { recursive: true });
  writeKept(fileIn(folder), running);
}

export const forgetRunning = (folder) => rmSync(fileIn(folder), { force: true });

/** Ends a process of ours: asked first, and after `patience` ms made to. Resolves when it is gone. */
export async function endProcess(p, patience = 4000) {
  const until = Date.now() + patience;
  let asked = false;
  while (isAlive(p)) {
    try {
      if (!asked) process.kill(p.pid, 'SIGTERM');
      else if (Date.now() > until) process.kill(p.pid, 'SIGKILL');
    } catch {
      // Gone between the two looks.
    }
    asked = true;
    await new Promise((resolve) => setTimeout(resolve, 50));
  }
}
