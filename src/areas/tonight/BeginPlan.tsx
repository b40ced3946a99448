import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import type { ClassPlanShown, LookKitView } from '../../contracts/views';
import {
  clockInWords,
  dayInWords,
  EMPTY_BLOCK,
  eveningOf,
  fittedTo,
  PATTERNS,
  readClock,
  type Block,
  type BlockKind,
  type ClassPlan,
  type CycleRow,
} from '../../core';
import { newId } from '../../kit/send';

/** Strips of wood as long as their minutes. */
function Strip({ blocks }: { blocks: readonly { minutes: number; kind: BlockKind }[] }) {
  const all = blocks.reduce((n, b) => n + b.minutes, 0);
  const ends = blocks.slice(0, -1).map((_, i) => blocks.slice(0, i + 1).reduce((n, b) => n + b.minutes, 0));
  return (
    <svg
      className="strip"
      width="100%"
      height="14"
      viewBox={`0 0 ${all} 14`}
      preserveAspectRatio="none"
      aria-hidden="true"
    >
      <rect
        x="0"
        y="3"
        width={all}
        height="8"
        fill="var(--wood)"
        stroke="var(--wood-line)"
        vectorEffect="non-scaling-stroke"
      />
      {ends.map((at) => (
        <path
          key={at}
          d={`M${at} 0V14`}
          stroke="var(--wood-line)"
          strokeWidth="2.5"
          vectorEffect="non-scaling-stroke"
        />
      ))}
    </svg>
  );
}

/** No class is planned: a kept pattern, one of the last evenings, or a blank one, fitted to the time there is. */
export function BeginPlan({
  kit,
  day,
  onPlan,
}: {
  kit: LookKitView;
  day: string;
  /** `id`: that of the class in the weeks, where it is made from them. */
  onPlan: (plan: ClassPlan, hallId: string | null, id?: string) => void;
}) {
  const last = kit.plansBefore?.[0];
  const [starts, setStarts] = useState(clockInWords(last?.plan.starts ?? 18 * 60 + 30));
  const [minutes, setMinutes] = useState(String(last?.plan.minutes ?? kit.usualMinutes));
  const [hallId, setHall] = useState(last?.hallId ?? kit.halls?.[0]?.id ?? '');
  const at = readClock(starts);
  const long = Number(minutes);
  const wrong = at === null ? 'Write a time, as 18:30.' : '';
  const tooShort = !(Number.isInteger(long) && long >= 5 && long <= 600) ? 'From 5 to 600 minutes.' : '';
  const begin = (blocks: readonly Omit<Block, 'id'>[]) => {
    if (at === null || tooShort !== '') return;
    const own = blocks.map((b) => ({ ...b, id: newId() }));
    onPlan({ starts: at, minutes: long, blocks: fittedTo(own, long) }, hallId === '' ? null : hallId);
  };
  // The weeks have said already when it is and how long.
  const sided = new Set(kit.techniques.filter((t) => t.sided).map((t) => t.id));
  const isSided = (row: CycleRow) =>
    row.items.length > 0 && row.items.every(({ item }) => 'technique' in item && sided.has(item.technique));
  const ofDay = kit.weeks?.[day]?.cycle;
  const weeks = (ofDay?.classes ?? []).flatMap((c) => {
    const plan = eveningOf(ofDay!, c.id, newId, isSided);
    return plan && plan.blocks.length > 0 ? [{ c, plan }] : [];
  });
  const before = (kit.plansBefore ?? []).filter((p: ClassPlanShown) => p.plan.blocks.length > 0);
  return (
    <section className="begin-plan" aria-labelledby="begin-head">
      <h2 id="begin-head">What is this evening for?</h2>
      <p className="second">Choose what comes nearest. Everything can be changed afterwards, and undone.</p>
      <div className="row wrap when">
        <TextField
          id="starts"
          label="Begins at"
          value={starts}
          onChange={(e) => setStarts(e.target.value)}
          error={wrong !== ''}
          helperText={wrong}
        />
        <TextField
          id="long"
          label="Minutes"
          value={minutes}
          onChange={(e) => setMinutes(e.target.value)}
          error={tooShort !== ''}
          helperText={tooShort}
        />
        {(kit.halls ?? []).length > 0 && (
          <TextField id="hall" label="Hall" select value={hallId} onChange={(e) => setHall(e.target.value)}>
            <MenuItem value="">no hall said</MenuItem>
            {kit.halls!.map((h) => (
              <MenuItem key={h.id} value={h.id}>
                {h.name}
              </MenuItem>
            ))}
          </TextField>
        )}
      </div>
      <ul className="patterns">
        {weeks.map(({ c, plan }) => (
          <li key={c.id}>
            <button type="button" onClick={() => onPlan(plan, c.hallId, c.id)}>
              <b>From the weeks, {clockInWords(c.starts)}</b>
              <span>
                {plan.blocks
                  .filter((b) => !b.pinned)
                  .map((b) => b.name)
                  .join(', ')}
              </span>
              <Strip blocks={plan.blocks} />
            </button>
          </li>
        ))}
        {before.map((p) => (
          <li key={p.id}>
            <button type="button" onClick={() => begin(p.plan.blocks)}>
              <b>As on {dayInWords(p.day, day)}</b>
              <span>{p.plan.blocks.map((b) => b.name).join(', ')}</span>
              <Strip blocks={p.plan.blocks} />
            </button>
          </li>
        ))}
        {PATTERNS.map((p) => (
          <li key={p.id}>
            <button type="button" onClick={() => begin(p.blocks)}>
              <b>{p.name}</b>
              <span>{p.says}</span>
              <Strip blocks={p.blocks} />
            </button>
          </li>
        ))}
      </ul>
      <Button onClick={() => begin([{ ...EMPTY_BLOCK, name: 'First block', minutes: Math.min(10, long) }])}>
        Begin with nothing
      </Button>
    </section>
  );
}
