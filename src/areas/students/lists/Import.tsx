import { useMemo, useState } from 'react';
import type { ImportsView, RollView } from '../../../contracts/views';
import { plural } from '../../../core';
import { forgottenAtSignOut } from '../../../kit/offline';
import { ask, newId, send } from '../../../kit/send';
import { Taking } from '../../../kit/taking/Taking';
import { useSource } from '../../../kit/taking/useTaking';
import { TakenBefore } from './TakenBefore';
import { readRoll, rollThatStays } from './taking';

/** "What will this list do?": every line says what will happen before anything happens; the good ones are taken. */
export default function Import({ view, before: first, today }: { view: RollView; before: ImportsView; today: string }) {
  const [before, setBefore] = useState(first);
  const readBefore = async () => {
    const fresh = await ask('imports', {});
    if (fresh.ok) setBefore(fresh.view);
  };
  // Names and birth dates: not for whoever signs in next.
  const source = useSource({ most: 600_000, keptAs: forgottenAtSignOut.roll });
  const [onTheRoll, setOnTheRoll] = useState<{ name: string; born: string | null }[]>(view.students);
  const reading = useMemo(
    () => readRoll(source.source, { ranks: view.ranks, onTheRoll, today }),
    [source.source, view.ranks, onTheRoll, today],
  );
  return (
    <>
      <Taking
        title="What will this list do?"
        sub="Name, belt, date of birth, belt since: one student a line."
        back={{ href: '/students', word: 'Back to the roll' }}
        source={source}
        label="The list"
        placeholder={'Tomasz Rill, Amber, 4 May 2010, 9 August 2025\nNoor Saltby, Fern, 19 Jan 2004'}
        accept=".csv,.txt,text/csv,text/plain"
        hint="A first line with the words name, belt, born, since may put them in any order. What you paste stays on this device until it is taken or you sign out."
        by={{
          reading,
          take: async (list) => {
            const students = list.map((s) => ({ id: newId(), ...s }));
            const answer = await send('student.import', { students });
            if (!answer.ok) return { taken: [], wrong: answer.title };
            void readBefore();
            setOnTheRoll([...onTheRoll, ...students]);
            return { taken: list, wrong: '' };
          },
          stays: (taken) => rollThatStays(source.source, reading.lines, taken),
        }}
        said={(n) => `${n} ${plural(n, 'student is', 'students are')} on the roll now.`}
      />
      <TakenBefore view={before} onBack={() => location.reload()} />
    </>
  );
}
