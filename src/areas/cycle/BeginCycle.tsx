import { useState } from 'react';
import * as v from 'valibot';
import type { CycleView } from '../../contracts/views';
import { cycleShape } from '../../contracts/cycle';
import { addDays, classesOf, CYCLE_ENDS, NO_WEEKS, rowsFrom, USUAL_RULES, type Cycle, type CycleRow } from '../../core';
import { ChoiceField, DateField, ListField, NumberField, PickManyField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';
import { ask, newId, send } from '../../kit/send';
import { WeeklyFields, weeklyRead, weeklyTyped } from './WeeklyFields';

const typed = v.pipe(
  v.object({
    ...cycleShape.entries,
    weekly: v.pipe(cycleShape.entries.weekly, v.minLength(1, 'Say when classes are.')),
  }),
  v.forward(
    v.check((c) => c.day > c.from, 'The day comes after the first class.'),
    ['day'],
  ),
  v.forward(
    v.check((c) => c.classes.length > 0, 'No class lies between these days.'),
    ['weekly'],
  ),
);

/** The weeks are laid out: towards which day, on which days, for which belts. What is to be worked at is asked of the belts. */
export function BeginCycle({
  view,
  onMade,
  leave,
}: {
  view: CycleView;
  onMade: (shown: NonNullable<CycleView['shown']>) => void;
  leave: (() => void) | undefined;
}) {
  const [saying, setSaying] = useState('');
  const next = view.gradings[0];
  const sheet = useSheet({
    start: {
      name: next?.title ?? 'Weeks to the grading',
      end: 'grading',
      from: view.today,
      day: next?.day ?? addDays(view.today, 35),
      ranks: view.ranks.slice(1).map((r) => r.id),
      groups: ['all'],
      weekly: weeklyTyped(view.weekly),
      frame: USUAL_RULES.frame,
    },
    schema: typed,
    make: ({ weekly, frame, ...rest }) => {
      const week = weeklyRead(weekly);
      const isDay = (d: unknown): d is string => typeof d === 'string' && /^\d{4}-\d\d-\d\d$/.test(d);
      const classes =
        isDay(rest.from) && isDay(rest.day) && rest.from < rest.day && week.every((w) => Number.isInteger(w.starts))
          ? classesOf(week, rest.from, addDays(rest.day, -1), NO_WEEKS, newId)
          : [];
      return {
        ...rest,
        weekly: week,
        classes: classes.map((c) => ({ ...c })),
        rows: [],
        cells: [],
        righted: [],
        rules: { ...USUAL_RULES, growing: [...USUAL_RULES.growing], frame },
        before: null,
        result: null,
      } as never;
    },
    saving: async (_draft, read) => {
      setSaying('Asking what next belts ask…');
      const asked = await ask('cycleAsked', {});
      setSaying('');
      if (!asked.ok) return asked;
      const { view: a } = asked;
      const wanted = a.asked.filter((_x, i) => a.ranks[i]!.some((r) => read.ranks.includes(r)));
      const rows: CycleRow[] = rowsFrom(wanted, a.rule, read.classes.length, newId).slice(0, 150);
      const id = newId();
      const cycle = { ...read, rows } as Cycle;
      const answer = await send('cycle.save', { id, cycle: structuredClone(cycle) as never });
      if (answer.ok) onMade({ id, cycle, version: 1 });
      return answer;
    },
    done: () => undefined,
  });
  return (
    <>
      <div className="title">
        <div>
          <h1>Does everything fit before the day?</h1>
          <p className="sub">
            {view.school}. {view.all.length === 0 ? 'No weeks are planned yet.' : 'More weeks are planned.'} What is to
            be worked at comes from what next belts ask of those who come.
          </p>
        </div>
      </div>
      <div className="begin-cycle">
        <SheetForm sheet={sheet} title="Which weeks?" saves="Lay them out" {...(leave && { leave })}>
          <TextField name="name" label="Name" />
          <div className="two">
            <DateField name="from" label="From" />
            <DateField name="day" label="The day" help={next ? `${next.title} is on this day.` : ''} />
          </div>
          <ChoiceField name="end" label="It is a" options={[...CYCLE_ENDS]} />
          <WeeklyFields halls={view.halls} />
          <PickManyField name="ranks" label="Asked for by" options={view.ranks} help="Belts that are worked towards." />
          <ListField
            name="groups"
            label="Groups at the same time"
            help="Each with its own teacher, parted by commas. One: everything is taught to all."
          />
          <NumberField name="frame" label="Opening and close of a class, min" />
          <p role="status">{saying}</p>
        </SheetForm>
      </div>
    </>
  );
}
