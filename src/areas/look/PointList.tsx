import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useRef } from 'react';
import { canHurt, type Side } from '../../core';
import { RuleMark } from '../../kit/marks/small';
import { Stick } from '../../kit/marks/Stick';
import { marksInWords, resize, type PointMarks } from './cardMarks';
import type { KitPoint, KitStudent } from './line';
import { rangeFor } from './Measuring';

/** More tries than these are too thin to be cut on a stick: the number says them. */
const MOST_CUTS = 24;

/** The points from the ground line upwards, each with what this card has cut of it. */
export function PointList({
  points,
  student,
  at,
  side,
  of,
  marksAt,
  onChoose,
}: {
  points: readonly KitPoint[];
  student: KitStudent;
  at: number;
  side: Side;
  of: number;
  marksAt: (p: KitPoint) => PointMarks;
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
        return (
          <li key={p.id} className={i === at ? 'now' : ''}>
            <ButtonBase onClick={() => onChoose(i)} aria-current={i === at ? 'true' : undefined}>
              <span className="no num">{i + 1}</span>
              <span className="nm">
                <b>{p.name}</b>
                <span>
                  {canHurt(p) ? (
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
              {p.kind === 'measured' && p.accepted && p.unit ? (
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
              <span className="n num">{marksInWords(m, p.unit)}</span>
            </ButtonBase>
          </li>
        );
      })}
    </ol>
  );
}
