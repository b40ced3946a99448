import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useRef } from 'react';
import type { RestShown } from '../../../contracts/views';
import { canHurt, dayInWords, type Side } from '../../../core';
import { Corded } from '../../../kit/marks/NameMark';
import { RuleMark } from '../../../kit/marks/small';
import { Stick } from '../../../kit/marks/Stick';
import { marksInWords, resize, type PointMarks } from './cardMarks';
import type { KitPoint, KitStudent } from '../../../kit/mat/line';
import { rangeFor } from '../../../kit/mat/line';

/** More tries than these are too thin to be cut on a stick: the number says them. */
const MOST_CUTS = 24;

/** The points from the ground line upwards, each with what this card has cut of it. */
export function PointList({
  points,
  student,
  at,
  side,
  of,
  today,
  marksAt,
  restOf,
  onChoose,
}: {
  points: readonly KitPoint[];
  student: KitStudent;
  at: number;
  side: Side;
  of: number;
  today: string;
  marksAt: (p: KitPoint) => PointMarks;
  /** Why a point rests; null: it does not. */
  restOf: (p: KitPoint) => RestShown | null;
  onChoose: (i: number) => void;
}) {
  const list = useRef<HTMLOListElement>(null);
  useEffect(() => {
    list.current?.children[at]?.scrollIntoView({ block: 'nearest' });
  }, [at]);
  return (
    <ol className="points" ref={list} aria-label="Points from the ground up">
      {points.map((p, i) => {
        const m = marksAt(p);
        const cut = m.notches.filter((n) => n !== 'U').length;
        const rest = restOf(p);
        const first = student.focus?.pointId === p.id && student.focus.side === side;
        return (
          <li key={p.id} className={`${i === at ? 'now' : ''}${rest ? ' rests' : ''}${first ? ' first' : ''}`}>
            <ButtonBase onClick={() => onChoose(i)} aria-current={i === at ? 'true' : undefined}>
              <span className="no num">{i + 1}</span>
              <span className="nm">
                {rest ? <s>{p.name}</s> : <b>{p.name}</b>}
                <span>
                  {rest ? (
                    `${rest.what}${rest.until ? `, until ${dayInWords(rest.until, today)}` : ''}`
                  ) : canHurt(p) ? (
                    <>
                      <span className="hurts">can hurt</span> if it slips
                    </>
                  ) : p.kind === 'felt' ? (
                    'the receiver says'
                  ) : (
                    p.how
                  )}
                </span>
              </span>
              {rest ? (
                <Corded width={144} height={40} />
              ) : p.kind === 'measured' && p.accepted && p.unit && cut === 0 ? (
                <RuleMark
                  accepted={rangeFor(p, student) ?? p.accepted}
                  wanted={p.wanted}
                  unit={p.unit}
                  values={m.values}
                  width={144}
                />
              ) : (
                <Stick
                  marks={p.kind === 'counted' ? m.notches.slice(-MOST_CUTS) : resize(m, Math.max(of, cut)).notches}
                  side={side}
                  width={144}
                  height={40}
                />
              )}
              <span className="n num">{rest ? 'rests' : marksInWords(m, p.unit)}</span>
            </ButtonBase>
          </li>
        );
      })}
    </ol>
  );
}
