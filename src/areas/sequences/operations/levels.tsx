import { dequal } from 'dequal';
import { COMMON_LEVELS, ZONE_PRINTED, ZONES, type LevelPattern, type Zone, type LevelsOperation } from '../../../core';
import { controls } from './controls';
import { levelsOf, no, whole, yes, type Levels } from './draft';
import type { OperationForm } from './form';

const zoneOf = (text: string): Zone | undefined => ZONES.find((z) => z === text || ZONE_PRINTED[z] === text);

export const levelsForm: OperationForm<LevelsOperation> = {
  word: 'Through the heights',
  asDraft: (o) => {
    return o.pattern ? { levels: levelsOf(o.pattern) } : {};
  },
  made: (d) => {
    if (dequal(d.levels, levelsOf({ ...COMMON_LEVELS, techniques: undefined }))) return yes({ op: 'levels' });
    const { first, foot, bothHands } = d.levels;
    const read = d.levels.zones.split(/[, ]+/).filter(Boolean).map(zoneOf);
    const zones = read.filter((z) => z !== undefined);
    const turn = whole(d.levels.turn);
    const techniques = d.levels.techniques
      .split(',')
      .map((t) => t.trim())
      .filter(Boolean);
    if (techniques.length > 4) return no('At most four techniques.');
    if (zones.length === 0 || zones.length < read.length || zones.length > 12)
      return no('Heights are high, mid and low, twelve at most.');
    return turn >= 0 && turn <= 360
      ? yes({
          op: 'levels',
          pattern: { ...(techniques.length > 0 ? { techniques } : {}), zones, first, turn, foot, bothHands },
        })
      : no('A turn is from 0 to 360 degrees.');
  },
  fields: (props) => {
    const { d, set } = props;
    const { choose, type } = controls(props);
    const levels = (change: Partial<Levels>) => set({ levels: { ...d.levels, ...change } });
    return (
      <div className="fields">
        {type('Techniques', 'techniques', d.levels.techniques, (techniques) => levels({ techniques }), {
          helperText: 'empty: the first two here',
        })}
        {type('Heights', 'zones', d.levels.zones, (zones) => levels({ zones }), {
          helperText: 'high, mid, low in their order',
        })}
        {choose(
          'First hand',
          'first',
          d.levels.first,
          [
            ['left', 'left'],
            ['right', 'right'],
          ],
          (first) => levels({ first }),
        )}
        {type('Degrees each count', 'turn', d.levels.turn, (turn) => levels({ turn }))}
        {choose(
          'Foot that turns',
          'foot',
          d.levels.foot,
          [
            ['none', 'in place'],
            ['same', 'that of the hand'],
            ['other', 'the other'],
          ] satisfies [LevelPattern['foot'], string][],
          (foot) => levels({ foot }),
        )}
        {choose(
          'Hands',
          'hands',
          d.levels.bothHands ? 'both' : 'one',
          [
            ['both', 'both in turn'],
            ['one', 'the first only'],
          ],
          (x) => levels({ bothHands: x === 'both' }),
        )}
      </div>
    );
  },
};
