import { useMemo } from 'react';
import type { SequencesView } from '../../contracts/views';
import { makeVocabulary, plural } from '../../core';
import { newId, send } from '../../kit/send';
import { whatStays } from '../../kit/taking/line';
import { Taking } from '../../kit/taking/Taking';
import { useSource } from '../../kit/taking/useTaking';
import { PARTED, readScores } from './taking';

/** Takes several sequences in at once; shows what will happen before it happens. */
export default function Import({ view }: { view: SequencesView }) {
  const source = useSource({ most: 5_000_000 });
  const vocabulary = useMemo(() => makeVocabulary(view.words), [view.words]);
  const reading = useMemo(
    () => readScores(source.source, vocabulary, view.sequences),
    [source.source, vocabulary, view.sequences],
  );
  return (
    <Taking
      title="What comes in?"
      sub="Paste or open texts of sequences, parted by a line of ===, or a JSON file taken out here."
      back={{ href: '/sequences', word: 'Back to the sequences' }}
      source={source}
      label="Texts or JSON"
      accept=".txt,.json,text/plain,application/json"
      by={{
        reading,
        take: async (list) => {
          const answer = await send('sequence.import', { sequences: list.map((s) => ({ id: newId(), ...s })) });
          return answer.ok ? { taken: list, wrong: '' } : { taken: [], wrong: answer.title };
        },
        stays: (taken) => whatStays(source.source, reading.lines, taken, PARTED),
      }}
      said={(n) => (
        <>
          {n} {plural(n, 'sequence')} taken. <a href="/sequences">See them</a>.
        </>
      )}
    />
  );
}
