import Button from '@mui/material/Button';
import { useState } from 'react';
import type { CycleView } from '../../contracts/views';
import { cycleShape } from '../../contracts/cycle';
import { classesOf, CYCLE_ENDS, type Cycle, type Past } from '../../core';
import { ChoiceField, DateField, ListField, NumberField, PickManyField, TextField } from '../../kit/form/fields';
import { SheetForm } from '../../kit/form/SheetForm';
import { useSheet } from '../../kit/form/useSheet';
import { newId } from '../../kit/send';
import { WeeklyFields, weeklyRead, weeklyTyped } from './WeeklyFields';

/** Weeks, groups and the school's own numbers; classes that are over or put in by hand stay as they are. */
export function RulesSheet({
  view,
  cycle,
  past,
  done,
  remove,
  leave,
}: {
  view: CycleView;
  cycle: Cycle;
  past: Past;
  done: (cycle: Cycle) => void;
  /** Null: only the head may take weeks out. */
  remove: (() => void) | null;
  leave: () => void;
}) {
  const [sure, setSure] = useState(false);
  const over = new Set(cycle.classes.slice(0, past.from).map((c) => c.id));
  const sheet = useSheet({
    start: {
      name: cycle.name,
      end: cycle.end,
      from: cycle.from,
      day: cycle.day,
      ranks: [...cycle.ranks],
      groups: [...cycle.groups],
      weekly: weeklyTyped(cycle.weekly),
      rules: { ...cycle.rules, growing: cycle.rules.growing.map(String) },
    },
    schema: cycleShape,
    make: ({ weekly, rules, ...typed }) => {
      const week = weeklyRead(weekly);
      const isDay = (d: unknown) => typeof d === 'string' && /^\d{4}-\d\d-\d\d$/.test(d);
      const known = isDay(typed.from) && isDay(typed.day) && typed.from <= typed.day;
      const classes = known
        ? classesOf(
            week,
            typed.from,
            typed.day,
            { classes: cycle.classes, weekly: cycle.weekly, isOver: (c) => over.has(c.id) },
            newId,
          )
        : cycle.classes;
      const there = new Set(classes.map((c) => c.id));
      return {
        ...structuredClone(cycle),
        ...typed,
        weekly: week,
        rules: { ...rules, growing: rules.growing.map(Number) },
        classes: classes.map((c) => ({ ...c })),
        cells: cycle.cells.filter((c) => there.has(c.class)).map((c) => ({ ...c })),
      } as never;
    },
    saving: (_draft, read) => {
      done(read);
      return { ok: true, answer: {} };
    },
    done: () => undefined,
  });
  return (
    <SheetForm
      sheet={sheet}
      title="Weeks and rules"
      saves="Plan with these"
      leave={leave}
      more={
        remove && (
          <Button variant="text" onClick={() => (sure ? remove() : setSure(true))}>
            {sure ? 'Once more: these weeks go, classes stay' : 'Take these weeks out'}
          </Button>
        )
      }
    >
      <TextField name="name" label="Name" />
      <DateField name="from" label="From" />
      <DateField name="day" label="The day" />
      <ChoiceField name="end" label="It is a" options={[...CYCLE_ENDS]} />
      <WeeklyFields halls={view.halls} />
      <PickManyField name="ranks" label="Asked for by" options={view.ranks} />
      <ListField
        name="groups"
        label="Groups at the same time"
        help="Each with its own teacher, parted by commas. One: everything is taught to all."
      />
      <h3>The school’s numbers</h3>
      <div className="two">
        <NumberField name="rules.frame" label="Opening and close, min" />
        <NumberField name="rules.newThings" label="New things a class" />
        <NumberField name="rules.review" label="Once more, classes before" />
        <NumberField name="rules.load" label="Most load, 1 to 3" />
      </div>
      <ListField name="rules.growing" label="New things come back within" help="Classes: first 1, then 2, then 3." />
      <p className="second">As delivered these are common practice, without a source.</p>
    </SheetForm>
  );
}
