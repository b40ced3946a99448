import { useState } from 'react';
import type { CycleView } from '../../contracts/views';
import { dayInWords } from '../../core';
import { IslandRoot } from '../../kit/IslandRoot';
import { BeginCycle } from './BeginCycle';
import './Cycle.css';
import { CycleBoard } from './CycleBoard';

/** The weeks to a day: laid out, planned, planned again. */
export default function CyclePage({
  view,
  by,
  head,
  fresh,
}: {
  view: CycleView;
  by: string;
  head: boolean;
  /** Others are to be laid out. */
  fresh: boolean;
}) {
  const [shown, setShown] = useState(fresh ? null : view.shown);
  const [made, setMade] = useState(false);
  return (
    <IslandRoot>
      {shown ? (
        <CycleBoard key={shown.id} view={view} shown={shown} by={by} head={head} planAtOnce={made} />
      ) : (
        <BeginCycle
          view={view}
          onMade={(s) => {
            history.replaceState(null, '', `/cycle?id=${s.id}`);
            setMade(true);
            setShown(s);
          }}
          leave={view.shown ? () => setShown(view.shown) : undefined}
        />
      )}
      <nav className="links row no-print" aria-label="Other weeks">
        {view.all
          .filter((c) => c.id !== shown?.id)
          .map((c) => (
            <a key={c.id} href={`/cycle?id=${c.id}`}>
              {c.name}, {dayInWords(c.day, view.today)}
            </a>
          ))}
        {shown && <a href="/cycle?new=1">Lay out other weeks</a>}
      </nav>
    </IslandRoot>
  );
}
