import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import type { LookKitView } from '../../../contracts/views';
import { low, nextLooks, sweepInWords, type Group, type WorthALook as Worth } from '../../../core';
import { Belt } from '../../../kit/marks/Belt';
import { Lozenge } from '../../../kit/marks/Lozenge';
import { Word } from '../../../kit/Word';
import { AtTheName } from '../../../kit/mat/AtTheName';
import { isTonight, ordersOfKit, worthsOfKit, type KitItem, type KitStudent, type Line } from '../../../kit/mat/line';
import './WorthALook.css';

const MOST = 9;
const BARS = 3;

/** What would settle most among those present, sweeps and cards in one list; the first three carry a bar. */
export function WorthALook({
  kit,
  items,
  people,
  line,
  onPlan,
  onLook,
}: {
  kit: LookKitView;
  items: readonly KitItem[];
  people: readonly KitStudent[];
  line: Line;
  onPlan: (change: Pick<Line, 'plan'> | Pick<Line, 'items'>) => void;
  onLook: (worth: Worth) => void;
}) {
  const byKey = useMemo(() => new Map(items.map((i) => [i.key, i])), [items]);
  const groupOf = useMemo(() => new Map(kit.asked.map((a) => [a.itemKey, a.group])), [kit.asked]);
  const groups = useMemo(() => [...new Set(kit.asked.map((a) => a.group))], [kit.asked]);
  const askable = useMemo(() => items.filter((i) => groupOf.has(i.key)), [items, groupOf]);
  const names = useMemo(() => new Map(kit.students.map((s) => [s.id, s.name.split(' ')[0]!])), [kit.students]);
  const { plan, items: only } = line;
  const [adding, setAdding] = useState(false);
  const [most, setMost] = useState(MOST);
  const worths = useMemo(() => worthsOfKit(kit), [kit]);
  const list = useMemo(() => {
    if (people.length === 0) return [];
    const found = nextLooks(
      worths,
      {
        present: people.map((p) => p.id),
        orderOf: ordersOfKit(kit),
        visible: (key) => byKey.has(key) && isTonight({ plan, items: only }, key, groupOf.get(key) ?? 'Basics'),
        done: new Set(line.done),
      },
      most + 6,
    );
    return found
      .filter(
        (w) =>
          (w.kind === 'card' || byKey.get(w.itemKey)?.technique) &&
          !line.done.includes(`${w.itemKey} ${w.pointId} ${w.side}`),
      )
      .slice(0, most + 1);
  }, [kit, worths, people, byKey, groupOf, plan, only, line.done, most]);
  const reasonOf = (w: Worth) =>
    w.kind === 'sweep'
      ? sweepInWords(w, (id) => names.get(id) ?? '')
      : worths.find((x) => x.requirementId === w.requirementId && x.studentId === w.studentIds[0])?.reason;
  const tonight = askable.filter((i) => only.includes(i.key));
  const toggle = (g: Group) => {
    const now = plan ?? groups;
    const next = now.includes(g) ? now.filter((x) => x !== g) : [...now, g];
    onPlan({ plan: next.length === groups.length ? null : next });
  };
  return (
    <section aria-labelledby="worth-head" className="worth">
      <div className="spread">
        <h2 id="worth-head">
          <Word of="worthALook">Worth a look</Word>
        </h2>
        <span>{kit.gradingDay ? '' : 'no grading is set'}</span>
      </div>
      <div className="tools" role="group" aria-label="What tonight shows">
        {only.length === 0 &&
          groups.length > 1 &&
          groups.map((g) => {
            const on = plan === null || plan.includes(g);
            return (
              <ButtonBase
                key={g}
                className={`shown${on ? ' on' : ''}`}
                role="checkbox"
                aria-checked={on}
                onClick={() => toggle(g)}
              >
                {g}
              </ButtonBase>
            );
          })}
        {tonight.map((i) => (
          <ButtonBase
            key={i.key}
            className="shown on"
            aria-label={`Not only ${i.name}`}
            onClick={() => onPlan({ items: only.filter((k) => k !== i.key) })}
          >
            {i.name} <span aria-hidden="true">&nbsp;×</span>
          </ButtonBase>
        ))}
        {askable.length > 1 && (
          <ButtonBase className="shown" aria-expanded={adding} onClick={() => setAdding(!adding)}>
            {only.length === 0 ? 'Only some' : 'One more'}
          </ButtonBase>
        )}
      </div>
      {adding && (
        <Autocomplete
          id="tonight"
          options={askable.filter((i) => !only.includes(i.key))}
          getOptionKey={(i) => i.key}
          getOptionLabel={(i) => i.name}
          groupBy={(i) => i.group}
          value={null}
          onChange={(_, chosen) => {
            if (chosen) onPlan({ items: [...only, chosen.key] });
            setAdding(false);
          }}
          renderInput={(p) => <TextField {...p} label="Tonight shows" autoFocus />}
        />
      )}
      {people.length === 0 ? (
        <p>Tap who is on the line, and it says here whom to watch and for what.</p>
      ) : list.length === 0 ? (
        <p>Nothing more is open for those who are here.</p>
      ) : (
        <ol>
          {list.slice(0, most).map((w, i) => {
            const item = byKey.get(w.itemKey);
            const point = item?.technique?.points.find((p) => p.id === w.pointId);
            const student = w.kind === 'card' ? kit.students.find((s) => s.id === w.studentIds[0]) : undefined;
            const rank = kit.ranks.find((r) => r.id === student?.rankId);
            const side = w.side === null || w.side === 'none' ? '' : `, ${w.side}`;
            return (
              <li
                key={`${w.kind} ${w.itemKey} ${w.conditionId} ${w.pointId} ${w.side} ${w.studentIds[0]}`}
                className={i < BARS ? 'bar' : ''}
              >
                <ButtonBase onClick={() => onLook(w)}>
                  {w.kind === 'sweep' ? (
                    <svg width="54" height="20" viewBox="0 0 54 20" aria-hidden="true">
                      {[6, 15, 24, 33, 42].map((x) => (
                        <path key={x} d={`M${x} 3V17`} stroke="var(--ink)" strokeWidth="3.4" strokeLinecap="round" />
                      ))}
                    </svg>
                  ) : (
                    rank && <Belt name={rank.name} cloth={rank.cloth} width={54} height={17} />
                  )}
                  <span className="what">
                    <b>{w.kind === 'sweep' ? 'The line' : student?.name}</b>{' '}
                    {w.kind === 'sweep' ? `${item?.name ?? ''}: ${low(point?.name ?? '')}${side}` : item?.name}
                    <span>
                      {w.hurts && <span className="hurts">Can hurt. </span>}
                      {reasonOf(w)}
                    </span>
                    {student && <AtTheName student={student} today={kit.today} />}
                  </span>
                  {w.kind === 'sweep' ? (
                    <i>Sweep</i>
                  ) : (
                    w.word && (
                      <span className="word">
                        <Lozenge word={w.word} /> {w.word}
                      </span>
                    )
                  )}
                </ButtonBase>
              </li>
            );
          })}
        </ol>
      )}
      {list.length > most && (
        <Button variant="text" onClick={() => setMost(most + MOST)}>
          More
        </Button>
      )}
    </section>
  );
}
