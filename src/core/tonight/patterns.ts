import { EMPTY_BLOCK, type Block, type BlockKind, type BlockPairs } from './plan';

/** A kind of evening that is kept, to begin a plan with. */
export interface ClassPattern {
  id: string;
  name: string;
  says: string;
  blocks: readonly Omit<Block, 'id'>[];
}

const block = (
  kind: BlockKind,
  name: string,
  minutes: number,
  how: string,
  more: Partial<Omit<Block, 'id'>> = {},
): Omit<Block, 'id'> => ({
  ...EMPTY_BLOCK,
  kind,
  name,
  minutes,
  how,
  ...more,
});

const pairs = (more: Partial<BlockPairs> = {}): BlockPairs => ({
  kind: 'drill',
  rung: 0,
  answers: false,
  rounds: 3,
  ...more,
});

const opening = block(
  'opening',
  'Opening',
  7,
  'Floor clear. Ten straight punches, change hand. Ten threes with the shout on the last. Ten of each of four blocks a side. A routine of doubles.',
  { pinned: true },
);
const close = block('close', 'Close', 3, 'What held tonight, what comes next.', { pinned: true });
const STOP = 'The teacher sets the heat. Either may stop at any time and gives no reason. Pain: stop.';
const HARD = `${STOP} Local rules on minors come first.`;

/**
 * Kinds of evening as schools keep them (F 55 to F 59; common practice, no source). Lengths are of an evening of 90 minutes
 * and are fittedTo to others.
 */
export const PATTERNS: readonly ClassPattern[] = [
  {
    id: 'lines',
    name: 'Lines and forms',
    says: 'Basics in lines, forms, then with a partner',
    blocks: [
      opening,
      block('basics', 'Basics in lines', 25, 'By tens a side, then stepping.'),
      block('forms', 'Forms', 30, 'All together by counts, then each belt its own.'),
      block('partner', 'Partner', 25, 'Known order first, slowly.', { pairs: pairs() }),
      close,
    ],
  },
  {
    id: 'partner',
    name: 'Partner evening',
    says: 'Rigid lines, application, touch game, loop, speed',
    blocks: [
      opening,
      block('basics', 'Rigid lines', 15, 'The movements of the evening without a partner.'),
      block('partner', 'Application', 15, 'Known order, slowly, both sides.', { pairs: pairs({ rounds: 2 }) }),
      block(
        'partner',
        'Touch game',
        15,
        'Three tries, swap. One zone first; a second when the first is beaten; walking only then. Running away is not counted.',
        { pairs: pairs({ kind: 'contact', rung: 1, rounds: 3 }), caution: STOP },
      ),
      block('partner', 'Loop', 25, 'Said aloud; one side, switch, other side; then switches unannounced.', {
        pairs: pairs({ rounds: 2 }),
      }),
      block('partner', 'Speed', 10, 'The same, faster step by step, as far as both agree.', {
        pairs: pairs({ kind: 'contact', rung: 2, rounds: 1 }),
        caution: STOP,
      }),
      close,
    ],
  },
  {
    id: 'targeting',
    name: 'Targeting',
    says: 'Where does it land? The partner says',
    blocks: [
      opening,
      block('basics', 'In the air', 15, 'Ten a side, slowly, to the own target.'),
      block(
        'partner',
        'Targeting',
        30,
        'One leg forward for 30 to 60 seconds, change legs. The partner says where it landed.',
        { pairs: pairs({ kind: 'contact', rung: 1, rounds: 4 }), caution: STOP },
      ),
      block('equipment', 'Pads', 20, 'The holder stands side-on, tight, hip forward; calls, then gets out.', {
        pairs: pairs({ kind: 'holding', rounds: 2 }),
        things: 'pads',
      }),
      block('forms', 'Forms', 15, 'With the same targets.'),
      close,
    ],
  },
  {
    id: 'cues',
    name: 'Cue drill',
    says: 'Replies added one at a time, then cues mixed',
    blocks: [
      opening,
      block('basics', 'Replies in the air', 20, 'One reply after the other, on call.'),
      block('partner', 'Cues one by one', 30, 'Replies added one at a time, slowly; then back down.', {
        pairs: pairs({ rounds: 3 }),
      }),
      block('partner', 'Cues mixed', 30, 'Any cue at random; only who has the answers defends.', {
        pairs: pairs({ kind: 'contact', rung: 2, answers: true, rounds: 3 }),
        caution: STOP,
      }),
      close,
    ],
  },
  {
    id: 'push',
    name: 'Push evening',
    says: 'Braking first, pushes that land, then before they land',
    blocks: [
      opening,
      block('basics', 'Braking', 20, 'Stop from a run: how far do the feet slide, does the weight go over the heels?'),
      block('partner', 'Shouting', 10, 'Face to face, no touch.', { pairs: pairs({ rounds: 2 }), caution: STOP }),
      block('partner', 'Pushes that land', 25, 'Slowly, on the chest; slide in centimetres.', {
        pairs: pairs({ kind: 'contact', rung: 1, rounds: 3 }),
        caution: STOP,
      }),
      block('partner', 'Before they land', 25, 'The same push, met on the way.', {
        pairs: pairs({ kind: 'contact', rung: 2, rounds: 3 }),
        caution: STOP,
      }),
      close,
    ],
  },
  {
    id: 'contact',
    name: 'Contact round',
    says: 'Each shows how hard, both agree, then step by step',
    blocks: [
      opening,
      block('basics', 'Cover and check', 15, 'Cover, step in, check; slowly in the air.'),
      block(
        'partner',
        'The receiver takes it',
        20,
        'Each shows how hard and both agree. Slow, soft hands; the receiver only watches. Closed eyes or flinching: a rung back for both.',
        { pairs: pairs({ kind: 'contact', rung: 1, rounds: 3 }), caution: HARD },
      ),
      block('partner', 'With checks', 25, 'Slow, with small checks and evasions.', {
        pairs: pairs({ kind: 'contact', rung: 2, rounds: 3 }),
        caution: HARD,
      }),
      block('partner', 'Gloves and pads', 20, 'Slow; faster only where both say so.', {
        pairs: pairs({ kind: 'contact', rung: 3, rounds: 2 }),
        things: 'gloves, foot pads',
        caution: HARD,
      }),
      close,
    ],
  },
];
