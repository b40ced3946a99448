import { useMemo, useState } from 'react';
import { detailIn, type TechniqueFile } from '../../contracts/techniqueFile';
import type { TechniquesView } from '../../contracts/views';
import { fold, plural } from '../../core';
import { newId, send } from '../../kit/send';
import { whatStays, type Took } from '../../kit/taking/line';
import { Taking } from '../../kit/taking/Taking';
import { useSource } from '../../kit/taking/useTaking';
import { orderOfTaking, readLibrary } from './taking';

/** Takes techniques in from text or JSON; one that is here already stays as it is. */
export default function Import({ view }: { view: TechniquesView }) {
  const source = useSource({ most: 5_000_000 });
  const [here, setHere] = useState(() => new Map(view.techniques.map((t) => [fold(t.name), t.id])));
  const reading = useMemo(() => readLibrary(source.source, new Set(here.keys())), [source.source, here]);

  const take = async (
    list: TechniqueFile[],
    progress: (done: number) => void,
    stopped: () => boolean,
  ): Promise<Took<TechniqueFile>> => {
    const ids = new Map([...here, ...list.map((t) => [fold(t.name), newId()] as const)]);
    const idOf = (n: string | null) => (n === null ? null : (ids.get(fold(n)) ?? null));
    const taken: TechniqueFile[] = [];
    let wrong = '';
    for (const t of [...list].sort((a, b) => orderOfTaking(a) - orderOfTaking(b))) {
      if (stopped()) break;
      progress(taken.length + 1);
      const points = t.points.map((p) => ({
        ...p,
        id: newId(),
        slips: p.slips.map((s) => ({ ...s, id: newId() })),
      }));
      const answer = await send('technique.save', {
        id: ids.get(fold(t.name))!,
        name: t.name,
        kind: t.kind,
        summary: t.summary,
        sided: t.sided,
        stanceId: idOf(t.stance),
        stepId: idOf(t.step),
        points,
        detail: detailIn(t.detail, {
          pointId: (name) => points.find((p) => fold(p.name) === fold(name))?.id,
          prerequisites: t.before.flatMap((b) => ids.get(fold(b)) ?? []),
        }),
      });
      if (!answer.ok) {
        wrong = `${t.name}: ${answer.title}`;
        break;
      }
      taken.push(t);
    }
    setHere(new Map([...here, ...taken.map((t) => [fold(t.name), ids.get(fold(t.name))!] as const)]));
    return { taken, wrong };
  };
  return (
    <Taking
      title="What comes into the library?"
      sub="Paste or open techniques as text or JSON, as they are taken out here."
      back={{ href: '/techniques', word: 'Back to the library' }}
      source={source}
      label="Text or JSON"
      placeholder={'technique: Reed step\nkind: step\npoint: Quiet feet\n  part: feet'}
      accept=".txt,.json,text/plain,application/json"
      by={{ reading, take, stays: (taken) => whatStays(source.source, reading.lines, taken, '\n\n') }}
      said={(n) => (
        <>
          {n} {plural(n, 'technique')} taken. <a href="/techniques">See them</a>.
        </>
      )}
    />
  );
}
