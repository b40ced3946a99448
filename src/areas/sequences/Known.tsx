import type { SequenceView } from '../../contracts/views';
import { listInWords, type About } from '../../core';

/** Under what other names a sequence goes, who passed it on, and what tells it from others of like name. */
export function Known({ id, about, alike }: { id: string; about: About; alike: SequenceView['alike'] }) {
  if (about.names.length === 0 && about.lineage.length === 0 && alike.length === 0) return null;
  return (
    <p className="second known">
      {about.names.length > 0 && `Also ${listInWords(about.names.map((n) => `“${n.name}” at ${n.school}`))}. `}
      {about.lineage.length > 0 && `Handed on by ${about.lineage.join(', before that by ')}. `}
      {alike.length > 0 && 'Told apart: '}
      {alike.map((a, i) => (
        <span key={a.id}>
          {i > 0 && ', '}
          from <a href={`/sequences/${id}/beside?with=${a.id}`}>{a.title}</a> at count {a.count}
        </span>
      ))}
      {alike.length > 0 && '.'}
    </p>
  );
}
