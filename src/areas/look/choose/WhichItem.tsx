import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import ButtonBase from '@mui/material/ButtonBase';
import TextField from '@mui/material/TextField';
import type { LookKitView } from '../../../contracts/views';
import { canHurt, type Side } from '../../../core';
import { Splinter } from '../../../kit/marks/small';
import { Word } from '../../../kit/Word';
import type { KitItem, KitStudent } from '../../../kit/mat/line';
import { SideSwitch } from '../../../kit/mat/SideSwitch';
import './WhichItem.css';

/** Any item, condition and side; then a point to sweep, or a person for a card. */
export function WhichItem({
  kit,
  items,
  item,
  conditionId,
  side,
  people,
  onItem,
  onCondition,
  onSide,
  onSweep,
  onPerson,
}: {
  kit: LookKitView;
  items: KitItem[];
  item: KitItem | undefined;
  conditionId: string;
  side: Side;
  people: readonly KitStudent[];
  onItem: (key: string) => void;
  onCondition: (id: string) => void;
  onSide: (side: Side) => void;
  onSweep: (pointId: string) => void;
  onPerson: (studentId: string) => void;
}) {
  const technique = item?.technique ?? null;
  return (
    <>
      <h2 id="item-head" className="mt-5">
        Or which item?
      </h2>
      {!item ? (
        <p>
          No technique has points yet. <a href="/techniques">Write some</a> at the desk.
        </p>
      ) : (
        <>
          <Autocomplete
            id="item"
            disableClearable
            options={items}
            getOptionKey={(t) => t.key}
            getOptionLabel={(t) => t.name}
            groupBy={(t) => t.group}
            value={item}
            onChange={(_, t) => onItem(t.key)}
            renderInput={(p) => <TextField {...p} label={<span className="hidden">Item</span>} />}
          />
          <div className="stack mt-3">
            <Autocomplete
              id="condition"
              disableClearable
              options={kit.conditions}
              getOptionKey={(c) => c.id}
              getOptionLabel={(c) => c.name}
              value={kit.conditions.find((c) => c.id === conditionId) ?? kit.conditions[0]!}
              onChange={(_, c) => onCondition(c.id)}
              renderInput={(p) => <TextField {...p} label="Condition" />}
            />
            {technique?.sided && <SideSwitch side={side} onSide={onSide} />}
          </div>
          {technique && (
            <>
              <h2 className="mt-5">
                <Word of="sweep">Sweep</Word> one point
              </h2>
              {people.length === 0 && <p>Tap who is on the line first.</p>}
            </>
          )}
          <ol className="sweeps">
            {technique?.points.map((p, i) => (
              <li key={p.id}>
                <ButtonBase disabled={people.length === 0 || p.kind === 'felt'} onClick={() => onSweep(p.id)}>
                  <span className="num">{i + 1}</span>
                  <b>{p.name}</b>
                  {p.critical && <span>critical</span>}
                  {canHurt(p) && (
                    <span className="row hurts">
                      <Splinter /> can hurt
                    </span>
                  )}
                  <span className="kind">{p.kind === 'felt' ? 'felt: on a card' : p.kind}</span>
                </ButtonBase>
              </li>
            ))}
          </ol>
          <h2 className="mt-5">
            {technique ? (
              <>
                Or a <Word of="card" /> of one person
              </>
            ) : (
              'Count by count, one person'
            )}
          </h2>
          <ul className="cards">
            {(people.length > 0 ? people : kit.students.slice(0, 12)).map((s) => (
              <li key={s.id}>
                <Button onClick={() => onPerson(s.id)}>{s.name}</Button>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
