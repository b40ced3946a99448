import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import {
  FIXINGS,
  postOf,
  pulled,
  push,
  secondRow,
  SECOND_SHARES,
  SECTIONS,
  STIFFNESS_ACCEPTED,
  STIFFNESS_WANTED,
  STRESS_KEPT,
  WOODS,
  type Fixing,
  type PostPlan,
} from '../../../core';
import { RuleMark } from '../../../kit/marks/small';
import { Switch } from '../../../kit/Switch';
import { Measure } from './Measure';

const nmm = (k: number) => (k / 1000).toFixed(1);
const SHARE_WORDS = ['1/3', '1/2', '2/3', '5/6', 'full'];

/** Boards, how they are held together, how high the second goes; how stiff that is, and how far from breaking. */
export function PostBoards({ plan, set }: { plan: PostPlan; set: (more: Partial<PostPlan>) => void }) {
  const post = postOf(plan);
  const test = pulled(plan);
  const pushed = push(post, plan.force, test);
  const { best } = pushed;
  const stiff = best.stiffness / 1000;
  const most = plan.wood.strength * STRESS_KEPT;
  return (
    <div className="stack">
      <section>
        <h2>
          Boards <small>at the floor, mm</small>
        </h2>
        <TextField
          select
          label="Timber"
          value={WOODS.some((w) => w.name === plan.wood.name) ? plan.wood.name : ''}
          onChange={(e) =>
            set(
              e.target.value === ''
                ? { wood: { ...plan.wood, name: 'own timber' } }
                : { wood: WOODS.find((w) => w.name === e.target.value)! },
            )
          }
        >
          {WOODS.map((w) => (
            <MenuItem key={w.name} value={w.name}>
              {w.name}
            </MenuItem>
          ))}
          <MenuItem value="">own numbers</MenuItem>
        </TextField>
        {!WOODS.some((w) => w.name === plan.wood.name) && (
          <div className="row">
            <Measure
              label="Stiffness, GPa"
              value={plan.wood.modulus / 1e9}
              lo={2}
              hi={40}
              onChange={(n) => set({ wood: { ...plan.wood, modulus: n * 1e9 } })}
            />
            <Measure
              label="Breaks at, MPa"
              value={plan.wood.strength / 1e6}
              lo={10}
              hi={400}
              onChange={(n) => set({ wood: { ...plan.wood, strength: n * 1e6 } })}
            />
          </div>
        )}
        <TextField
          select
          label="Section"
          value={
            SECTIONS.find((s) => s.breadth * 1000 === plan.breadth && s.thickness * 1000 === plan.thickness)?.name ?? ''
          }
          onChange={(e) => {
            const s = SECTIONS.find((x) => x.name === e.target.value);
            if (s)
              set({
                breadth: s.breadth * 1000,
                thickness: s.thickness * 1000,
                thin: Math.round((plan.thin / plan.thickness) * s.thickness * 1000),
              });
          }}
        >
          {SECTIONS.map((s) => (
            <MenuItem key={s.name} value={s.name}>
              {s.name}
            </MenuItem>
          ))}
          <MenuItem value="">own size</MenuItem>
        </TextField>
        <div className="row">
          <Measure label="Wide" value={plan.breadth} lo={40} hi={300} onChange={(breadth) => set({ breadth })} />
          <Measure
            label="Thick"
            value={plan.thickness}
            lo={8}
            hi={120}
            onChange={(thickness) => set({ thickness, thin: Math.min(plan.thin, thickness) })}
          />
        </div>
        <Switch
          label="Taper"
          value={plan.thin < plan.thickness ? 'tapered' : 'even'}
          options={[
            { value: 'even', word: 'even' },
            { value: 'tapered', word: 'tapered' },
          ]}
          onChange={(v) => set({ thin: v === 'even' ? plan.thickness : Math.round(plan.thickness / 2) })}
        />
      </section>
      <section>
        <h2>
          Held together <small>N per mm</small>
        </h2>
        <Switch
          label="Held together"
          value={plan.fixing}
          options={FIXINGS.map((f: Fixing) => ({
            value: f,
            word: (
              <>
                {f} <small>{nmm(push({ ...post, fixing: f }, plan.force, test).best.stiffness)}</small>
              </>
            ),
          }))}
          onChange={(fixing) => set({ fixing })}
        />
      </section>
      <section>
        <h2>
          Height of the second <small>N per mm</small>
        </h2>
        <Switch
          label="Height of the second board"
          value={SHARE_WORDS[SECOND_SHARES.findIndex((s) => Math.abs(s - plan.second) < 0.01)] ?? ''}
          options={secondRow(post, test).map((r, i) => ({
            value: SHARE_WORDS[i]!,
            word: (
              <>
                {SHARE_WORDS[i]} <small>{nmm(r.stiffness)}</small>
              </>
            ),
          }))}
          onChange={(v) => set({ second: SECOND_SHARES[SHARE_WORDS.indexOf(v)]! })}
        />
        <p className="second">The higher it goes, the stiffer.</p>
      </section>
      <section>
        <h2>
          Stiffness{' '}
          <small>
            {nmm(best.stiffness)} N per mm, {nmm(pushed.softest.stiffness)} to {nmm(pushed.stiffest.stiffness)}
          </small>
        </h2>
        <RuleMark accepted={STIFFNESS_ACCEPTED} wanted={STIFFNESS_WANTED} unit="N/mm" values={[stiff]} width={250} />
      </section>
      <section>
        <h2>
          Stress at {plan.force} N{' '}
          <small>
            {Math.round(best.stress.pascal / 1e6)} N/mm², {(best.stress.z - pushed.held).toFixed(2)} m up
          </small>
        </h2>
        <p className="second">
          A third of breaking is {Math.round(most / 1e6)}, it breaks at {Math.round(plan.wood.strength / 1e6)}.
        </p>
      </section>
    </div>
  );
}
