import { memo } from 'react';
import { inUnit } from '../../core';
import { RuleMark } from '../marks/small';
import { shownValue, type RowRead } from './reads';

/** One number; drawn anew only when it changes, since a drag moves few of them. */
const ReadRow = memo(function ReadRow({
  point,
  kind,
  value,
  half,
  word,
  truth,
}: Omit<RowRead, 'sure'> & { truth: number | null }) {
  const close = kind.unit === '°' || kind.unit === '%';
  return (
    <li className={word === 'cannot tell' ? 'open' : ''}>
      <span>
        <b>{point.name}</b> <span className="quiet">{kind.key}</span>
      </span>
      <RuleMark
        accepted={point.range}
        wanted={point.wanted}
        unit={kind.unit}
        read={value === null ? null : { value, half }}
        width={124}
      />
      <span className="measure-value">
        {value === null ? (
          'no length is known'
        ) : (
          <>
            <b className="num">{close ? inUnit(value, kind.unit) : value}</b> ± {inUnit(half, kind.unit)}
            <span className="word">{word}</span>
            {truth !== null && (
              <span className="quiet"> Drawn with {inUnit(shownValue(truth, kind.unit), kind.unit)}.</span>
            )}
          </>
        )}
      </span>
    </li>
  );
});

/** Each number with its place on the rule and how far off it may be; from the ground up, as the card has its points. */
export function ReadRows({
  rows,
  drawn,
}: {
  rows: readonly RowRead[];
  /** What is true of somebody drawn, by the key of each number: said when it was read. */
  drawn: ReadonlyMap<string, number> | null;
}) {
  return (
    <ol className="read-rows" aria-live="polite">
      {[...rows].reverse().map((r) => (
        <ReadRow
          key={r.point.id}
          point={r.point}
          kind={r.kind}
          value={r.value}
          half={r.half}
          word={r.word}
          truth={r.sure ? (drawn?.get(r.kind.key) ?? null) : null}
        />
      ))}
    </ol>
  );
}
