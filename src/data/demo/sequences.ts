// The sequences of Causeway Hall: invented, written in the notation; derived ones by their recipes.
import { commonStance, makeVocabulary, parseStep, type Recipe } from '../../core';
import { DEMO_DETAILS } from './details';
import { DEMO_TECHNIQUES } from './library';

export interface DemoSequence {
  title: string;
  text?: string;
  from?: string;
  recipe?: (idOf: (title: string) => string) => Recipe;
  /** Lines changed by hand after deriving: what is written, and what it becomes. */
  edits?: readonly (readonly [string, string])[];
}

/** The hall's library as the notation knows it. */
export const DEMO_VOCABULARY = makeVocabulary(
  DEMO_TECHNIQUES.map((t) => ({
    id: t.name,
    name: t.name,
    kind: t.kind,
    zone: DEMO_DETAILS[t.name]?.zone ?? null,
    terms: (DEMO_DETAILS[t.name]?.terms ?? []).map((x) => x.text),
    retired: false,
    geometry: t.kind === 'stance' ? (DEMO_DETAILS[t.name]?.geometry ?? commonStance(t.name)) : null,
    rank: null,
    ceiling: null,
  })),
);

const step = (text: string) => {
  const read = parseStep(text, DEMO_VOCABULARY);
  if (!read.ok) throw new Error(`${text}: ${read.error[0]!.message}`);
  return read.value;
};

export const DEMO_HALLS = [
  { name: 'the marsh room', width: 12, depth: 9 },
  { name: 'the boat shed', width: 18, depth: 12 },
  { name: 'a room at home', width: 3.5, depth: 3 },
] as const;

export const DEMO_SEQUENCES: readonly DemoSequence[] = [
  {
    title: 'First Causeway',
    text: `kind: form
rank: Fern

= Out along the causeway
step L, front stance, low block L, in
step R, front stance, stepping punch R, out
rising block L, in
reverse punch L, out
step L, front stance, stepping punch L, out, shout
~ Reed House: step L, front stance, stepping punch L, out
~* Causeway Hall: step L, front stance, stepping punch L, out, shout

= Both waters
turn L 90, L foot, front stance, inner block L, in
reverse punch R, out
turn R 180 in place, front stance, inner block R, in
reverse punch L, out

= Back
turn R 90, R foot, front stance, low block R, in
~ Sluice Hall: turn R 90, R foot across, front stance, low block R, in
step L, front stance, stepping punch L, out
rising block R, in
reverse punch R, out
step R, front stance, stepping punch R, out, shout

= Home
turn L 90, L foot, front stance, inner block L, in
reverse punch R, out
turn R 180 in place, front stance, inner block R, in
reverse punch L, out
turn R 90, R foot, front stance, low block R, in
inner block L, in
reverse punch R, out
draw L, ready stance, hold`,
  },
  {
    title: 'Second Causeway',
    from: 'First Causeway',
    recipe: () => [
      {
        op: 'substitute',
        pattern: { kind: 'strike', family: 'hand', advancing: true },
        replacement: { do: 'before', step: step('front kick R, out') },
      },
    ],
    edits: [['front kick L, out', 'front kick L high, out']],
  },
  { title: 'First Causeway, other side', from: 'First Causeway', recipe: () => [{ op: 'mirror' }] },
  {
    title: 'First Causeway, power round',
    from: 'First Causeway',
    recipe: () => [
      { op: 'section', name: 'Out along the causeway' },
      { op: 'power round', ways: ['swing', 'vibration', 'wind', 'slide', 'drop'] },
    ],
  },
  {
    title: 'Sluice',
    text: `kind: form
rank: Umber

# Back to front stance and back: the centre crosses the middle, or nothing was gained.
= The gate opens
step L, back stance, outer block L, in
shift, front stance, reverse punch R, weight 30/70 > 60/40, out
step R, back stance, outer block R, in
shift, front stance, reverse punch L, weight 70/30 > 40/60, out

= The water turns
turn R 180 in place, back stance, low block L, in, slow
shift, front stance, elbow strike R high, out
step R, back stance, inner block R, hold
shift, front stance, elbow strike L high, out, shout

= The gate shuts
turn L 180 in place, back stance, rising block R, in
roundhouse kick L mid, out
step L, cat stance, palm check L, in
front kick L, out
step L back, front stance, reverse punch L, out
draw L, ready stance, hold, slow`,
  },
  {
    title: 'Ferry Pole',
    text: `kind: form
rank: Black
sections 2: Old count

= Push off
=2 First water
step R, front stance, staff downward cut R, out
step L, front stance, staff downward cut L, out
staff thrust L, out
step R back, back stance, staff sweep R low, in
shift, front stance, staff thrust L, out
~ Reed House: shift, front stance, staff thrust L high, out
step R, front stance, staff diagonal cut R high, out
step L, front stance, staff diagonal cut L high, out
staff thrust L mid, out, shout
~* Causeway Hall: staff thrust L mid, out, shout
~ Sluice Hall: staff thrust L mid, out
draw R, ready stance, in
hold

= Midstream
turn R 180 in place, ready stance, in
step R, front stance, staff downward cut R, out
step L, front stance, staff downward cut L, out
=2 Second water
staff thrust L, out
step R back, back stance, staff sweep R low, in
shift, front stance, staff thrust L, out
step R, front stance, staff diagonal cut R high, out
step L, front stance, staff diagonal cut L high, out
staff thrust L mid, out, shout
draw R, ready stance, in

= Other bank
turn L 90 in place, ready stance, hold
step L, front stance, staff downward cut L, out
step R, front stance, staff sweep R low, out
staff thrust R, out
step R back, back stance, staff sweep R low, in
draw R, ready stance, hold
turn R 180 in place, ready stance, in
step R, front stance, staff downward cut R, out
staff sweep L low, out
staff thrust L, out
staff sweep L low, in
=2 Third water
draw R, ready stance, hold
turn R 90 in place, ready stance, in

= Moor
step L, front stance, staff downward cut L, out
step R, front stance, staff downward cut R, out
staff thrust R, out
step R back, front stance, staff sweep R low, in
step L back, front stance, staff sweep L low, in
staff thrust R, out, shout
draw R, ready stance, hold`,
  },
  {
    title: 'Combination 1',
    text: `kind: combination
rank: Lake
lead punch L high, out
reverse punch R, out`,
  },
  {
    title: 'Combination 2',
    text: `kind: combination
rank: Lake
palm check L, in
reverse punch R, out
hook punch L high, out`,
  },
  {
    title: 'Combination 3',
    from: 'Combination 1',
    recipe: (id) => [{ op: 'chain', with: id('Combination 2') }],
  },
  {
    title: 'Combination 4',
    from: 'Combination 3',
    recipe: () => [
      { op: 'extend', steps: [step('lead punch L at upper right, out'), step('reverse punch R at upper left, out')] },
    ],
  },
  {
    title: 'Combination 5',
    from: 'Combination 2',
    recipe: (id) => [{ op: 'new head', head: id('Combination 1'), from: 2 }, { op: 'mirror' }],
  },
  {
    title: 'Combination 6',
    from: 'Combination 1',
    recipe: () => [
      {
        op: 'invert',
        what: 'hands and feet',
        pairs: [
          ['lead punch', 'front kick'],
          ['reverse punch', 'roundhouse kick'],
        ],
      },
      { op: 'repeat', times: 2 },
    ],
  },
  { title: 'Pyramid of combination 3', from: 'Combination 3', recipe: () => [{ op: 'pyramid' }] },
  {
    title: 'Fist and elbow',
    text: `kind: combination
standing punch L, out
elbow strike R, out`,
  },
  { title: 'High, low, middle, high', from: 'Fist and elbow', recipe: () => [{ op: 'levels' }] },
  {
    title: 'Post, first set',
    text: `kind: equipment set
condition: still target

# Both arms work; arm meets the arm it faces. Noise is a sign of doing it wrong.
= In front
palm check R at its left arm + palm check L at its right arm, in
reverse punch R at its middle arm, out
palm check R at its right arm, in
low block L at its right arm, out
= Half circle
step R right 45, guard stance, outer block R at its left arm, in
front kick R low at its leg, out
step R, guard stance, elbow strike R at its left arm, out
palm check L at its left arm, hold`,
  },
  {
    title: 'Four quarters',
    text: `kind: partner drill
condition: set partner
contact: slow, open soft hands
lead punch R high at upper left | rising block L
lead punch L high at upper right | rising block R
lead punch R low at lower left | low block L
lead punch L low at lower right | low block R`,
  },
  {
    title: 'Four quarters at random',
    from: 'Four quarters',
    recipe: () => [{ op: 'quarters', seed: 20260, rounds: 4 }],
  },
  {
    title: 'Touch game in threes',
    text: `kind: partner drill
players: 3
round: 45 s
contact: open hand, soft; never the face
loop: yes

# Two play, the third watches and says who was touched. After three touches the third comes in.
open-hand touch R at either shoulder | slip L
open-hand touch L at top of the head | duck
open-hand touch R at the chest | palm check L
open-hand touch L low at a leg between knee and belt | step L back, switch`,
  },
  {
    title: 'Pads, the holder calls',
    text: `kind: partner drill
condition: moving holder
loop: yes

# The holder's call starts the kick; get out at once.
cue left pad high, step R back | lead punch L high, out
cue right pad middle | reverse punch R, out
cue shield on the hip | roundhouse kick R, out
cue both pads down, step L back | slide R, cover, in, switch
? the holder comes forward
> front kick R, out
> step R back, guard stance`,
  },
  {
    title: 'Push, after it has landed',
    text: `kind: partner drill
condition: set partner
contact: push on the shoulders, no strike
loop: yes

push both at the shoulders | step R back, front stance, weight 50/50, out
push R at the left shoulder | turn L 45 in place, palm check L
push L at the right shoulder | turn R 45 in place, palm check R, switch
? he holds on
> palm check L
> step R back, pulling hand R`,
  },
  {
    title: 'Push, before it lands',
    from: 'Push, after it has landed',
    recipe: () => [{ op: 'substitute', pattern: { name: 'push' }, replacement: { do: 'become', zone: 'upper' } }],
    edits: [
      ['condition: set partner', 'condition: attacker set, defender free'],
      [
        'push both high at the shoulders | step R back, front stance, weight 50/50, out',
        'push both high at the shoulders | slide R right 135, palm check both, out',
      ],
    ],
  },
];
