import type { Bundle, BundleLine, BundleReport } from '../../contracts/stored/bundle';
import { fold } from '../../core';
import { tentatively, type Transaction } from '../../data/connection';
import { takeBelts } from '../exchange/belts/take';
import { takeConditions } from '../exchange/conditions/take';
import { takeSequences } from '../exchange/sequences/take';
import { takeSyllabus } from '../exchange/syllabus/take';
import type { Keep, Taking } from '../exchange/taking';
import { takeTechniques } from '../exchange/techniques/take';
import { Refusal } from '../http/problem';
import type { Who } from '../who';
import type { Runs } from './command';
import { inTurn } from './inTurn';

/** Takes everything back that was done; what was found out is kept. */
class TakeBack extends Error {
  constructor(readonly report: BundleReport) {
    super('taken back');
  }
}

export const bundleCommands: Runs<'bundle.import'> = {
  /**
   * Takes a school from a file: belts, conditions, techniques, sequences, and the syllabus as a draft. All or nothing:
   * one conflict or refusal takes everything back. A dry run does the same and takes it back in any case.
   */
  'bundle.import': async (tx, who, { bundle, keep, dry }) => {
    await inTurn(tx, who, 'library');
    await inTurn(tx, who, 'way');
    try {
      return await tentatively(tx, async () => {
        const lines = await takeBundle(tx, who, bundle, keep);
        const bad = lines.some((l) => l.fate === 'in conflict' || l.fate === 'refused');
        if (dry || bad) throw new TakeBack({ lines, done: false });
        return { lines, done: true } satisfies BundleReport;
      });
    } catch (e) {
      if (e instanceof TakeBack) return e.report;
      throw e;
    }
  },
};

async function takeBundle(tx: Transaction, who: Who, bundle: Bundle, keep: Keep): Promise<BundleLine[]> {
  const lines: BundleLine[] = [];
  const of = bundle.techniques.length + bundle.sequences.length + 1;
  let done = 0;
  const step = () => {
    if (who.watch?.stopped()) throw new Refusal(499, 'Stopped. Nothing was taken in.');
    who.watch?.progress((done += 1), of);
  };
  const twice = new Set<string>();
  const onlyOnce = (what: BundleLine['what'], name: string): boolean => {
    const key = `${what} ${fold(name)}`;
    if (twice.has(key)) {
      lines.push({ what, name, fate: 'in conflict', why: 'It stands in the file twice.' });
      return false;
    }
    twice.add(key);
    return true;
  };
  const taking: Taking = { tx, who, keep, lines, once: onlyOnce, step };
  // What stands on something comes after it.
  await takeBelts(taking, bundle);
  await takeConditions(taking, bundle);
  await takeTechniques(taking, bundle);
  await takeSequences(taking, bundle);
  if (bundle.syllabus) await takeSyllabus(taking, bundle.syllabus);
  step();
  return lines;
}
