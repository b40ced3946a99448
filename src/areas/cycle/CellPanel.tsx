import Button from '@mui/material/Button';

/** One row in one class: its minutes, whether it stays, and the weekday it does not come on. */
export function CellPanel({
  name,
  day,
  weekday,
  minutes,
  pinned,
  over,
  onMinutes,
  onPin,
  onNotOn,
  onClass,
  leave,
}: {
  name: string;
  day: string;
  weekday: string;
  minutes: number;
  pinned: boolean;
  /** The class was held: what is set says what was had. */
  over: boolean;
  onMinutes: (by: number) => void;
  onPin: () => void;
  onNotOn: () => void;
  /** The class itself: whether it is held, how long, a guest's part. */
  onClass: () => void;
  leave: () => void;
}) {
  return (
    <section aria-label={`${name}, ${day}`} className="stack">
      <h2>{name}</h2>
      <p>
        {day}: <b>{minutes === 0 ? 'nothing' : `${minutes} minutes`}</b>
        {over ? ', as it was held' : pinned ? ', pinned' : ''}
      </p>
      <div className="row wrap">
        <Button onClick={() => onMinutes(-5)} disabled={minutes === 0} aria-label="Five minutes less">
          − 5
        </Button>
        <Button onClick={() => onMinutes(5)} aria-label="Five minutes more">
          + 5
        </Button>
        {!over && (
          <Button onClick={onPin} aria-pressed={pinned}>
            {pinned ? 'Take the pin out' : 'Pin it'}
          </Button>
        )}
      </div>
      {!over && (
        <div className="row wrap">
          <Button variant="text" onClick={onClass}>
            The class that day
          </Button>
          <Button variant="text" onClick={onNotOn}>
            Not on {weekday}s
          </Button>
          <Button variant="text" onClick={leave}>
            Leave it
          </Button>
        </div>
      )}
      <p className="second">
        Arrows move about, + and − change minutes, P pins, Alt and an arrow take it to the next class. What is set by
        hand is pinned; the rest moves when it is planned again.
      </p>
    </section>
  );
}
