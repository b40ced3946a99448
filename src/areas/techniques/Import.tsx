import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo, useRef, useState } from 'react';
import { detailIn, readTechniques, type TechniqueFile } from '../../contracts/techniqueFile';
import type { TechniquesView } from '../../contracts/views';
import { fold, plural } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { newId, send } from '../../kit/send';

/** Takes techniques in from text or JSON; one that is here already stays as it is. */
export default function Import({ view }: { view: TechniquesView }) {
  const [source, setSource] = useState('');
  const [wrong, setWrong] = useState('');
  const [done, setDone] = useState(0);
  const [working, setWorking] = useState<{ at: number; of: number } | null>(null);
  const stopped = useRef(false);
  const here = useMemo(() => new Map(view.techniques.map((t) => [fold(t.name), t.id])), [view.techniques]);
  const read = useMemo(() => {
    const seen = new Set<string>();
    return readTechniques(source).map((r) => {
      const key = fold(r.name);
      const twice = seen.has(key);
      seen.add(key);
      return {
        ...r,
        wrong: twice ? ['This name stands here twice.', ...r.wrong] : r.wrong,
        known: here.has(key),
      };
    });
  }, [source, here]);
  const good = read.filter((r) => r.wrong.length === 0 && !r.known);
  const take = async () => {
    stopped.current = false;
    setWrong('');
    const ids = new Map([...here, ...good.map((r) => [fold(r.name), newId()] as const)]);
    const idOf = (n: string | null) => (n === null ? null : (ids.get(fold(n)) ?? null));
    // Stances and steps first, since others stand on them.
    const order = (t: TechniqueFile) => (t.kind === 'stance' ? 0 : t.kind === 'step' || t.kind === 'turn' ? 1 : 2);
    const list = good.map((r) => r.technique!).sort((a, b) => order(a) - order(b));
    let n = 0;
    for (const t of list) {
      if (stopped.current) break;
      setWorking({ at: n + 1, of: list.length });
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
        setWrong(`${t.name}: ${answer.title} ${n} ${plural(n, 'technique')} were taken before it.`);
        break;
      }
      n++;
    }
    setWorking(null);
    setDone(n);
    if (n === list.length) setSource('');
  };
  return (
    <IslandRoot>
      <div className="title">
        <div>
          <h1>What comes into the library?</h1>
          <p className="sub">
            Paste or open techniques as text or JSON, as they are taken out here. Nothing is taken before you say so.
          </p>
        </div>
      </div>
      <div role="alert">
        {done > 0 && (
          <p className="message good">
            {done} {plural(done, 'technique')} taken. <a href="/techniques">See them</a>.
          </p>
        )}
        {wrong && <p className="message wrong">{wrong}</p>}
      </div>
      <div className="columns">
        <div className="stack">
          <TextField
            id="source"
            label="Text or JSON"
            multiline
            minRows={14}
            maxRows={28}
            value={source}
            onChange={(e) => setSource(e.target.value)}
          />
          <label className="row">
            <span>or a file:</span>
            <input
              type="file"
              accept=".txt,.json,text/plain,application/json"
              onChange={(e) => {
                const file = e.target.files?.[0];
                if (!file) return;
                if (file.size > 5_000_000) setWrong('This file is larger than 5 MB.');
                else void file.text().then(setSource);
              }}
            />
          </label>
        </div>
        <div className="stack">
          <h2>What will happen</h2>
          {read.length === 0 && <p className="sub">Nothing yet.</p>}
          <ul>
            {read.map((r, i) => (
              <li key={i} className="line">
                <b>{r.name}</b>{' '}
                <span className={r.wrong.length > 0 ? 'hurts' : 'second'}>
                  {r.wrong.length > 0
                    ? `stays out: ${r.wrong[0]!}`
                    : r.known
                      ? 'is here already and stays as it is'
                      : `new ${r.technique!.kind}, ${r.technique!.points.length} ${plural(r.technique!.points.length, 'point')}`}
                </span>
              </li>
            ))}
          </ul>
          <div className="row">
            <Button variant="contained" disabled={good.length === 0 || working !== null} onClick={() => void take()}>
              Take {good.length} in
            </Button>
            {working && (
              <>
                <span className="second" role="status">
                  {working.at} of {working.of}
                </span>
                <Button
                  onClick={() => {
                    stopped.current = true;
                  }}
                >
                  Stop
                </Button>
              </>
            )}
          </div>
        </div>
      </div>
    </IslandRoot>
  );
}
