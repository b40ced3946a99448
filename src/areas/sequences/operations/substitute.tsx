import {
  isEmptyStep,
  parseStep,
  printStep,
  ZONE_PRINTED,
  zoneInName,
  type Pattern,
  type Replacement,
  type SubstituteOperation,
} from '../../../core';
import { controls } from './controls';
import { laneOf, no, yes, type Rule } from './draft';
import type { OperationForm } from './form';

/** Any work of a hand that goes out: punches, strikes and shapes of the hand. */
const ANY_HAND = ['strike', 'hand shape'] as const;

/** What something becomes, as it is typed: `elbow strike at left pad, high`. */
const becomesWritten = (r: Extract<Replacement, { do: 'become' }>): string =>
  [[r.name, r.target === undefined ? '' : `at ${r.target}`].filter(Boolean).join(' '), r.zone && ZONE_PRINTED[r.zone]]
    .filter(Boolean)
    .join(', ');

export const substituteForm: OperationForm<SubstituteOperation> = {
  word: 'Put in, replace or leave out',
  asDraft: (o) => {
    const { pattern: p, replacement: r } = o;
    return {
      rule: {
        what:
          p.name !== undefined
            ? 'name'
            : p.kinds
              ? 'any hand'
              : p.family === 'foot'
                ? 'foot'
                : p.family !== 'hand' && (p.kind === 'strike' || p.kind === 'block' || p.kind === 'kick')
                  ? p.kind
                  : 'hand',
        name: p.name ?? '',
        side: p.side ?? '',
        zone: p.zone ?? '',
        stance: p.stance ?? '',
        moving: p.advancing ? 'advancing' : p.turning ? 'turning' : '',
        do: r.do,
        ...(r.do === 'become' && r.stance !== undefined ? { becomes: r.stance } : {}),
        slidesUp: r.do === 'before' && r.slidesUp === true,
        step: 'step' in r ? printStep(r.step) : r.do === 'become' ? becomesWritten(r) : '',
      },
    };
  },
  made: (d, words) => {
    const r = d.rule;
    const pattern: Pattern = {
      ...(r.what === 'name'
        ? { name: r.name.trim() }
        : r.what === 'any hand'
          ? { family: 'hand' as const, kinds: ANY_HAND }
          : r.what === 'hand' || r.what === 'foot'
            ? { family: r.what }
            : { kind: r.what }),
      ...(r.what === 'hand' ? { kind: 'strike' as const } : {}),
      ...(r.side ? { side: r.side } : {}),
      ...(r.zone ? { zone: r.zone } : {}),
      ...(r.stance.trim() ? { stance: r.stance.trim() } : {}),
      ...(r.moving === 'advancing' ? { advancing: true } : r.moving === 'turning' ? { turning: true } : {}),
    };
    if (r.what === 'name' && !pattern.name) return no('Which technique is meant?');
    if (r.do === 'remove') return yes({ op: 'substitute', pattern, replacement: { do: 'remove' }, ...laneOf(d) });
    if (r.do === 'become') {
      if (!r.step.trim()) return no('What does it become?');
      const read = parseStep(r.step, words);
      if (!read.ok) return no(read.error[0]!.message);
      const [action, ...more] = read.value.actions;
      const rest = { ...read.value, actions: [] };
      if (!action || more.length > 0 || !isEmptyStep(rest))
        return no('It becomes one technique, with its height and what it touches.');
      if (action.side !== 'none') return no('Its side stays: leave L or R out.');
      const { name, zone, target } = action;
      return yes({
        op: 'substitute',
        pattern,
        replacement: {
          do: 'become',
          name,
          ...(zone && zone !== zoneInName(name, words) ? { zone } : {}),
          ...(target ? { target } : {}),
          ...(r.becomes ? { stance: r.becomes } : {}),
        },
        ...laneOf(d),
      });
    }
    const step = parseStep(r.step, words);
    return step.ok
      ? yes({
          op: 'substitute',
          pattern,
          replacement: {
            do: r.do,
            step: step.value,
            ...(r.do === 'before' && r.slidesUp ? { slidesUp: true } : {}),
          } as Replacement,
          ...laneOf(d),
        })
      : no(step.error[0]!.message);
  },
  fields: (props) => {
    const { d, set } = props;
    const { choose, type, lane } = controls(props);
    const rule = (change: Partial<Rule>) => set({ rule: { ...d.rule, ...change } });
    const r = d.rule;
    return (
      <div className="fields">
        {choose(
          'At each',
          'what',
          r.what,
          [
            ['hand', 'hand strike'],
            ['any hand', 'any hand technique'],
            ['strike', 'strike'],
            ['block', 'block'],
            ['kick', 'kick'],
            ['foot', 'leg technique'],
            ['name', 'technique named…'],
          ],
          (what) => rule({ what }),
        )}
        {r.what === 'name' && type('Named', 'named', r.name, (name) => rule({ name }))}
        {choose(
          'That is',
          'moving',
          r.moving,
          [
            ['', 'anywhere'],
            ['advancing', 'advancing'],
            ['turning', 'out of a turn'],
          ],
          (moving) => rule({ moving }),
        )}
        {choose(
          'Limb',
          'side',
          r.side,
          [
            ['', 'any'],
            ['left', 'left'],
            ['right', 'right'],
            ['lead', 'lead'],
            ['rear', 'rear'],
          ],
          (side) => rule({ side }),
        )}
        {choose(
          'Height',
          'zone',
          r.zone,
          [
            ['', 'any'],
            ['upper', 'upper'],
            ['middle', 'middle'],
            ['lower', 'lower'],
          ],
          (zone) => rule({ zone }),
        )}
        {type('In stance', 'stance', r.stance, (stance) => rule({ stance }))}
        {choose(
          'Do',
          'do',
          r.do,
          [
            ['before', 'put before it'],
            ['after', 'put after it'],
            ['instead', 'put in its place'],
            ['become', 'let it become'],
            ['remove', 'leave it out'],
          ],
          (x) => rule({ do: x }),
        )}
        {r.do !== 'remove' &&
          type(r.do === 'become' ? 'Technique, height' : 'This count', 'step', r.step, (step) => rule({ step }), {
            helperText:
              r.do === 'become'
                ? 'its side stays; its height too, unless named or told by the name'
                : r.do === 'before'
                  ? 'for a match on the right, mirrored on the left; before a step a leg is the one about to step'
                  : 'written for a match on the right; mirrored on the left',
            className: 'wide',
          })}
        {r.do === 'before' &&
          choose(
            'Standing foot',
            'slides',
            r.slidesUp ? 'up' : 'stays',
            [
              ['stays', 'stays'],
              ['up', 'slides up'],
            ],
            (x) => rule({ slidesUp: x === 'up' }),
          )}
        {lane('lane A')}
      </div>
    );
  },
};
