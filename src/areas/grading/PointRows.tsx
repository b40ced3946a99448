import ButtonBase from '@mui/material/ButtonBase';
import { useEffect, useRef } from 'react';
import type { ExamineItem } from '../../contracts/views';
import { Stick, type Notch } from '../../kit/marks/Stick';
import { Beside } from './Beside';
import { repsOf, type Cursor, type SheetSide, type Written } from './sheetState';

/** Points stand from the ground up, counts of a form from the first down. */
const inOrder = (item: ExamineItem) => {
  const rows = item.points.map((p, i) => ({ p, i }));
  return item.form ? rows : rows.reverse();
};

/** What is looked at in an item, each with what was cut of it on this side. */
export function PointRows({
  item,
  line,
  side,
  cursor,
  onPoint,
}: {
  item: ExamineItem;
  line: Written;
  side: SheetSide;
  cursor: Cursor;
  onPoint: (at: Cursor) => void;
}) {
  const n = item.repetitions;
  const current = useRef<HTMLButtonElement>(null);
  // Where the cursor goes stays in sight, above the keys at the foot; so does the first row of whoever comes next.
  useEffect(() => {
    current.current?.scrollIntoView({ block: 'nearest' });
  }, [item, cursor.point]);
  return (
    <ol className="rows" reversed={!item.form} aria-label={item.form ? 'Count by count' : 'From the ground up'}>
      {inOrder(item).map(({ p, i }) => {
        const reps = repsOf(line, p.id, side);
        const seen = [...reps].filter((r) => r !== 'U');
        const held = seen.filter((r) => r === 'H').length;
        const here = i === cursor.point;
        return (
          <li key={p.id}>
            <ButtonBase
              className={here ? 'on' : ''}
              aria-current={here}
              ref={here ? current : null}
              onClick={() => onPoint({ point: i, rep: Math.min(reps.length, n - 1) })}
            >
              <span className="num">{i + 1}</span>
              <span className="what">
                <b>{p.name}</b>
                <span className="second">
                  {item.rests?.points?.includes(p.id) && <b>rests. </b>}
                  {p.critical && 'critical. '}
                  {p.canHurt && <span className="hurts">can hurt. </span>}
                  {p.adapted ? `adapted: ${p.adapted}` : item.form ? '' : p.how}
                </span>
                <Beside point={p} />
              </span>
              <Stick marks={[...reps.padEnd(n, 'U')] as Notch[]} side={side} width={item.form ? 60 : 190} height={40} />
              <b className="num">{reps === '' ? '' : `${held} of ${seen.length}`}</b>
            </ButtonBase>
          </li>
        );
      })}
    </ol>
  );
}
