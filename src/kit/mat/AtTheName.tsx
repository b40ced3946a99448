import { atTheName, atTheNameInWords } from '../../core';
import { NameMark } from '../marks/NameMark';
import type { KitStudent } from './line';
import './AtTheName.css';

/** What has to be known of somebody before they are watched: a mark and the word, at their name. */
export function AtTheName({ student, today }: { student: KitStudent; today: string }) {
  const known = atTheName(student);
  if (known.length === 0) return null;
  return (
    <span className="at-name">
      {known.map((a) => {
        const word = atTheNameInWords(a, today);
        return (
          <span key={`${a.kind} ${word}`} className={a.kind === 'injury' ? 'hurts' : ''}>
            <NameMark kind={a.kind} /> {word}
          </span>
        );
      })}
    </span>
  );
}
