import { useMemo, useState } from 'react';
import type { StoreView } from '../../contracts/views';
import { ofNumber, plural, THING_COLUMNS, type ListedThing, type Thing } from '../../core';
import { newId, send } from '../../kit/send';
import { Taking } from '../../kit/taking/Taking';
import { useSource } from '../../kit/taking/useTaking';
import { readThings, thingsThatStay } from './taking';

const thingOf = ({ count, ...t }: ListedThing, today: string): Thing =>
  ofNumber({ ...t, hallId: null, how: [], pieces: [], stands: [] }, count, today, newId);

/** "What comes into the store?": a kind a line, read before anything happens. */
export default function ImportThings({ view }: { view: StoreView }) {
  const source = useSource({ most: 200_000 });
  const [known, setKnown] = useState(() => new Set(view.things.map((t) => t.name.toLowerCase())));
  const reading = useMemo(() => readThings(source.source, view.ranks, known), [source.source, view.ranks, known]);
  return (
    <Taking
      title="What comes into the store?"
      sub="A kind of thing a line."
      back={{ href: '/equipment', word: 'Back to the store' }}
      source={source}
      label="The list"
      placeholder={`${THING_COLUMNS.join(',')}\nLong staff,"1.80 m, ash",staff,rack by the door,staff,1,12,,no,90,10`}
      accept=".csv,.txt,text/csv,text/plain"
      hint="A first line with these words may put the columns in any order; only the name is needed. Every piece begins as due to be looked over where a kind is looked over at all."
      by={{
        reading,
        take: async (list, progress, stopped) => {
          const taken: ListedThing[] = [];
          let wrong = '';
          for (const t of list) {
            if (stopped()) break;
            const answer = await send('thing.save', { id: newId(), thing: thingOf(t, view.today) as never });
            if (!answer.ok) {
              wrong = answer.title;
              break;
            }
            taken.push(t);
            progress(taken.length);
          }
          setKnown((now) => new Set([...now, ...taken.map((t) => t.name.toLowerCase())]));
          return { taken, wrong };
        },
        stays: (taken) => thingsThatStay(source.source, reading.lines, taken),
      }}
      said={(n) => `${n} ${plural(n, 'kind is', 'kinds are')} in the store now.`}
    />
  );
}
