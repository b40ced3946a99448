import { readTechniques, type TechniqueFile } from '../../contracts/techniqueFile';
import { fold, plural } from '../../core';
import type { Reading } from '../../kit/taking/line';

/** What each technique of a text or a JSON file would do in a library that has these names already. */
export function readLibrary(source: string, here: ReadonlySet<string>): Reading<TechniqueFile> {
  const seen = new Set<string>();
  const lines = readTechniques(source).map((r) => {
    const key = fold(r.name);
    const twice = seen.has(key);
    seen.add(key);
    const wrong = twice ? 'This name stands here twice.' : r.wrong[0];
    const isHere = wrong === undefined && here.has(key);
    const t = wrong === undefined && !isHere ? r.technique : null;
    return {
      name: r.name,
      takes: t,
      isHere,
      said:
        wrong !== undefined
          ? `stays out: ${wrong}`
          : t
            ? `new ${t.kind}, ${t.points.length} ${plural(t.points.length, 'point')}`
            : 'is here already and stays as it is',
      source: r.source,
    };
  });
  return { lines, wrong: '' };
}

/** Stances, steps and turns first: others stand on them. */
export const orderOfTaking = (t: TechniqueFile): number =>
  t.kind === 'stance' ? 0 : t.kind === 'step' || t.kind === 'turn' ? 1 : 2;
