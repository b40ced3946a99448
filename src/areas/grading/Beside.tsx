import type { ExaminePoint } from '../../contracts/views';

/** What stands beside a count: how others do it, and may, and that a form of a like name goes another way here. */
export const Beside = ({ point }: { point: Pick<ExaminePoint, 'variants' | 'unlike'> }) => (
  <>
    {point.variants.map((x) => (
      <span key={x.school} className="second beside">
        accepted as {x.school} does it: {x.does}
      </span>
    ))}
    {point.unlike.map((x) => (
      <span key={x.form} className="beside unlike">
        {x.does === null ? `${x.form} has ended here` : `${x.form} goes on here with ${x.does}`}
      </span>
    ))}
  </>
);
