import { useState } from 'react';
import * as v from 'valibot';
import { date } from '../../contracts/fields';
import type { ClassPlanShown, LookKitView } from '../../contracts/views';
import { dayInWords, weekdayInWords, type ClassPlan } from '../../core';
import { keepTrying } from '../../kit/deviceQueue/deviceQueue';
import { newId } from '../../kit/send';
import { BeginPlan } from './BeginPlan';
import { DaysAhead } from './DaysAhead';
import { Planned } from './Planned';
import { dropPlan, keepPlan, planOf } from './planOf';
import { questionOf } from './questionOf';

/** The evening: what it is for, whom to watch in which block, who is here, who works with whom. */
export function Tonight({ kit, school }: { kit: LookKitView; school: string }) {
  // Only what is ahead can still be laid out.
  const [day] = useState(() => {
    const asked = new URLSearchParams(location.search).get('day') ?? '';
    return v.is(date, asked) && asked > kit.today ? asked : kit.today;
  });
  const [shown, setShown] = useState<ClassPlanShown | null>(() => planOf(kit, day));
  const remove = (id: string) => {
    dropPlan(id);
    setShown(null);
    // After what its page had still to send when it was left.
    setTimeout(() =>
      keepTrying({
        id: newId(),
        at: new Date().toISOString(),
        name: 'classPlan.remove',
        input: { id },
        label: `The plan of ${dayInWords(day, kit.today)} is taken out`,
        by: kit.me.personId,
        open: false,
        chain: `class ${id}`,
      }),
    );
  };
  if (shown) return <Planned key={shown.id} kit={kit} shown={shown} onRemove={() => remove(shown.id)} />;
  const begin = (plan: ClassPlan, hallId: string | null, id = newId()) => {
    const made: ClassPlanShown = {
      id,
      day,
      hallId,
      plan,
      run: null,
      closed: false,
      note: '',
      version: 0,
    };
    keepPlan(made, kit.today);
    setShown(made);
    keepTrying({
      id: newId(),
      at: new Date().toISOString(),
      name: 'classPlan.save',
      input: { id, day, hallId, plan: structuredClone(plan) as never },
      label: 'The plan of the evening',
      by: kit.me.personId,
      open: false,
      chain: `class ${id}`,
    });
  };
  return (
    <>
      <div className="title">
        <div>
          <h1>{questionOf(day, kit.today)}</h1>
          <p className="sub">
            {weekdayInWords(day)} {dayInWords(day, kit.today)}, {school}. No class is planned yet.
          </p>
        </div>
      </div>
      <DaysAhead kit={kit} day={day} />
      <BeginPlan kit={kit} day={day} onPlan={begin} />
    </>
  );
}
