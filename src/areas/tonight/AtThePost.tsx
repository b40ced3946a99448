import type { LookKitView } from '../../contracts/views';
import { clockInWords, countOf, slotsFor, type Block } from '../../core';
import type { KitStudent } from '../../kit/mat/line';
import { strikesTonight } from './strikesTonight';

/** Whether a block works at a striking post. */
export const isAtPost = (kit: LookKitView, block: Pick<Block, 'items'>): boolean =>
  block.items.some((i) => kit.conditions.find((c) => c.id === i.conditionId)?.gear === 'striking post');

/** Who may strike at a post tonight, in turns; who begins; who not, and why. */
export function AtThePost({
  kit,
  block,
  people,
  from,
}: {
  kit: LookKitView;
  block: Pick<Block, 'items' | 'minutes'>;
  people: readonly KitStudent[];
  /** Minutes after midnight at which the block begins; null: not known yet. */
  from: number | null;
}) {
  if (!isAtPost(kit, block)) return null;
  const may = people.filter(strikesTonight);
  const stopped = people.filter((s) => (s.soft ?? '') === '' && s.strikes && !s.strikes.any);
  const soft = people.filter((s) => (s.soft ?? '') !== '');
  const posts = (kit.store ?? [])
    .filter((t) => t.serves === 'striking post')
    .reduce((n, t) => n + (t.sound ?? 1) * (t.people ?? 1), 0);
  const slots = slotsFor(
    may.map((s) => s.id),
    posts,
    block.minutes,
  );
  const turn = (id: string) => slots.find((s) => s.id === id);
  return (
    <section className="at-post" aria-labelledby="at-post-head">
      <h2 id="at-post-head">At the post</h2>
      <p className="quiet">
        {posts === 0
          ? 'No post is sound and looked over: pads and air instead.'
          : may.length === 0
            ? 'Nobody here may strike what is hard tonight: pads and air instead.'
            : `${countOf(posts, 'place')}, ${countOf(may.length, 'student')}: ${slots[0] ? countOf(slots[0].minutes, 'minute') : 'less than a minute'} each${slots.length < may.length ? `, for ${slots.length} of them` : ''}.`}
      </p>
      {posts > 0 && may.length > 0 && (
        <ul>
          {may.map((s) => {
            const t = turn(s.id);
            return (
              <li key={s.id} className="line py-1">
                {t && from !== null && <b className="num">{clockInWords(Math.floor(from + t.from))} </b>}
                {s.name}: {s.strikes?.says ?? 'begins with twenty, easy.'}
              </li>
            );
          })}
        </ul>
      )}
      {stopped.length > 0 && (
        <ul>
          {stopped.map((s) => (
            <li key={s.id} className="line py-1">
              <b className="hurts">Not tonight:</b> {s.name}. {s.strikes?.says}
            </li>
          ))}
        </ul>
      )}
      {soft.length > 0 && (
        <p className="quiet">
          <b>Soft targets only:</b> {soft.map((s) => s.name).join(', ')}.
        </p>
      )}
    </section>
  );
}
