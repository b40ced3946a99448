// The library of Causeway Hall, an invented school: facts of the trade in the school's own words.
// Measured ranges: common practice, no published source.
import type { BodyPart, Hurts, PointKind, TechniqueKind, Unit } from '../../core';

export interface DemoSlip {
  looksLike: string;
  cause: string;
  cue: string;
  hurts: Hurts;
  hurtsHow: string;
}
export interface DemoPoint {
  name: string;
  bodyPart: BodyPart;
  how: string;
  why: string;
  kind: PointKind;
  critical: boolean;
  unit: Unit | null;
  accepted: readonly [number, number] | null;
  wanted: readonly [number, number] | null;
  slips: DemoSlip[];
}
export interface DemoTechnique {
  name: string;
  kind: TechniqueKind;
  summary: string;
  sided: boolean;
  stance: string | null;
  step: string | null;
  points: DemoPoint[];
}

interface More {
  critical?: boolean;
  kind?: PointKind;
  unit?: Unit;
  accepted?: readonly [number, number];
  wanted?: readonly [number, number];
}

const slip = (looksLike: string, cause: string, cue: string, hurts: Hurts = 'nobody', hurtsHow = ''): DemoSlip => ({
  looksLike,
  cause,
  cue,
  hurts,
  hurtsHow,
});
const p = (
  name: string,
  bodyPart: BodyPart,
  how: string,
  why: string,
  slips: DemoSlip[],
  more: More = {},
): DemoPoint => ({
  name,
  bodyPart,
  how,
  why,
  kind: more.kind ?? 'seen',
  critical: more.critical ?? false,
  unit: more.unit ?? null,
  accepted: more.accepted ?? null,
  wanted: more.wanted ?? null,
  slips,
});
const degrees = (accepted: readonly [number, number], wanted: readonly [number, number], critical = false): More => ({
  kind: 'measured',
  unit: '°',
  accepted,
  wanted,
  critical,
});
const t = (
  name: string,
  kind: TechniqueKind,
  summary: string,
  points: DemoPoint[],
  more: { sided?: boolean; stance?: string; step?: string } = {},
): DemoTechnique => ({
  name,
  kind,
  summary,
  sided: more.sided ?? true,
  stance: more.stance ?? null,
  step: more.step ?? null,
  points,
});

export const DEMO_TECHNIQUES: readonly DemoTechnique[] = [
  // --- stances
  t(
    'Natural stance',
    'stance',
    'Where everything is learned first: in place, with nothing to balance.',
    [
      p(
        'Feet a shoulder apart',
        'feet',
        'Jump and land, and look where the feet are',
        'It is the width the body finds by itself',
        [slip('Feet together', 'Standing as in a queue', 'Jump, land, leave them there.')],
      ),
      p('Knees soft', 'knees', 'Not locked, not sitting', 'Locked knees cannot start anything', [
        slip('Knees pushed back', 'Standing still for long', 'Let the knees breathe.'),
      ]),
      p('Shoulders over hips', 'shoulders', 'One plumb line from ear to ankle', 'Leaning tells where you will go', [
        slip('Leaning forward', 'Eagerness', 'Grow at the crown.'),
      ]),
    ],
    { sided: false },
  ),
  t('Guard stance', 'stance', 'The beginner’s guard: half a step, feet to one o’clock, ready to go anywhere.', [
    p(
      'Feet to one o’clock',
      'feet',
      'About thirty degrees off the line',
      'Square feet cannot push, turned feet cannot step',
      degreesSlip('Feet straight ahead'),
      degrees([15, 45], [25, 35]),
    ),
    p(
      'Rear hand at the cheek',
      'other hand',
      'Elbow on the ribs',
      'It is the only wall between the face and the room',
      [
        slip(
          'Rear hand drops as the lead works',
          'Watching one’s own strike',
          'Hold the telephone.',
          'self',
          'the face is open to every answer',
        ),
      ],
      { critical: true },
    ),
    p('Lead hand at eye level', 'hand', 'Far enough to touch with', 'It measures and it hides', [
      slip('Lead hand before the eyes', 'Hiding behind it', 'Look over the hand, not through it.'),
    ]),
    p(
      'Shoulders between the feet',
      'shoulders',
      'Over the waist, not over the knee',
      'Outside the feet a touch is enough to fall',
      [slip('Leaning back from the partner', 'Fear of the glove', 'Nose behind the lead toes.')],
    ),
  ]),
  t('Front stance', 'stance', 'Two tracks, front knee bent, the floor pushed away behind.', [
    p(
      'Rear heel down',
      'feet',
      'Down as the front foot lands, and through the punch',
      'The push goes from the floor into the fist',
      [slip('Heel lifts as the hip turns', 'A long step on a short calf', 'Push the floor away with the heel.')],
      { critical: true },
    ),
    p(
      'Two tracks, not one',
      'feet',
      'A hip’s breadth between the lines',
      'On one line a push from the side is enough',
      [slip('Feet on one line', 'Stepping straight ahead', 'Each foot on its own rail.')],
    ),
    p(
      'Front knee over the toes',
      'knees',
      'Bent until it just hides them',
      'Less is a walk, more hurts',
      [
        slip(
          'Knee falls inward',
          'Weight on the inner edge',
          'Knee to the little toe.',
          'self',
          'the front knee, twisted under load',
        ),
        slip(
          'Knee past the toes',
          'Stance too short',
          'Look: do you still see nothing of them?',
          'self',
          'the front knee',
        ),
      ],
      { critical: true },
    ),
    p(
      'Weight forward of the middle',
      'hips',
      'Sixty in a hundred on the front leg at the end',
      'The weight travels with the punch',
      [slip('Weight stays behind', 'Reaching with the arm', 'Belt knot over the middle, then a hand on.')],
      { kind: 'measured', unit: '%', accepted: [50, 70], wanted: [55, 62] },
    ),
    p('Level through the step', 'hips', 'The belt draws a straight line', 'Rising gives the moment away', [
      slip('Up and down like a boat', 'Straightening to step', 'Under the low beam.'),
    ]),
  ]),
  t('Back stance', 'stance', 'Heels on one line, weight behind, the front leg free.', [
    p('Heels on one line', 'feet', 'A rope under both heels', 'The line is the wall the turn works against', [
      slip('Front heel beside the line', 'Falling out of balance', 'Heel on the rope.'),
    ]),
    p(
      'Weight to the rear',
      'hips',
      'Seventy in a hundred behind',
      'What is light can kick',
      [slip('Weight in the middle', 'Standing up', 'Sit on the rear heel.')],
      { kind: 'measured', unit: '%', accepted: [60, 80], wanted: [68, 74] },
    ),
    p(
      'Rear toes come with the hip',
      'feet',
      'The toes turn, the heel stays',
      'A heel that slides back loses the power',
      [
        slip(
          'Heel slides back',
          'Turning from the knee',
          'Toes follow the belt.',
          'self',
          'the rear knee, left behind by the hip',
        ),
      ],
    ),
    p('Trunk upright', 'trunk', 'No bow to the partner', 'Bowed, the front foot is heavy again', [
      slip('Trunk over the front leg', 'Reaching', 'Back against the door.'),
    ]),
  ]),
  t('Cat stance', 'stance', 'Half a squat on one leg, the other only asks the floor.', [
    p(
      'Front foot lifts without a shift',
      'feet',
      'Lift it: nothing else may move',
      'It is the whole of the stance',
      [slip('Sways back before lifting', 'Weight on the front foot', 'Hide the lift from your own belt.')],
      { critical: true },
    ),
    p('Knee steady', 'knees', 'No wobble while holding', 'A wobbling knee tells and wears', [
      slip('Knee wobbles inward', 'Ankle asleep', 'Screw the foot into the floor.', 'self', 'the standing knee'),
    ]),
    p('Hips turned out at the end', 'hips', 'Chest square half way, open at the end', 'The open hip lets the leg out', [
      slip('Hips square', 'Stopping half way', 'Show your belt knot to the corner.'),
    ]),
  ]),
  t(
    'Straddle stance',
    'stance',
    'Wide and even, for side work and for the legs.',
    [
      p('Feet side by side', 'feet', 'Outer edges alike', 'Toes out is easier and says nothing', [
        slip('Toes turned out', 'Tight hips', 'Two planks, side by side.'),
      ]),
      p(
        'Knees over the feet',
        'knees',
        'Pushed out, not falling in',
        'Knees that fall in carry the weight wrongly',
        [slip('Knees fall in', 'Sitting too deep too soon', 'Ride a barrel.', 'self', 'both knees')],
        { critical: true },
      ),
      p('Back straight', 'trunk', 'Seat under, not out', 'A hollow back takes the load', [
        slip('Seat sticks out', 'Looking for depth', 'Hang from the crown.'),
      ]),
    ],
    { sided: false },
  ),
  // --- steps and turns
  t('Step forward', 'step', 'The rear foot becomes the front foot and passes the other ankle.', [
    p(
      'Foot passes the ankle',
      'feet',
      'In a shallow curve, close by',
      'It keeps the groin shut and the weight over the leg',
      [slip('Foot swings wide', 'Feet on one line before', 'Brush the ankle.')],
    ),
    p('Lands flat and quiet', 'feet', 'No stamp, no slide', 'Noise is weight out of hand', [
      slip('Heel slaps', 'Falling into the step', 'Put it down as on a sleeping cat.'),
    ]),
    p('Does not sway', 'trunk', 'Crown on a wire', 'Swaying is seen from across the hall', [
      slip('Sways to the standing side', 'Narrow stance', 'Carry a bowl of water.'),
    ]),
  ]),
  t('Sliding step', 'step', 'The foot nearest the direction goes first, the other keeps the distance.', [
    p(
      'Near foot first',
      'feet',
      'Ten to fifteen centimetres',
      'Crossed feet are swept feet',
      [slip('Feet cross', 'Hurry', 'Near foot, then far foot.')],
      { kind: 'measured', unit: 'cm', accepted: [8, 18], wanted: [10, 15] },
    ),
    p('Ends with hips under shoulders', 'hips', 'Every step is finished', 'Unfinished steps add up to a fall', [
      slip('Trunk arrives late', 'Pulling with the foot', 'Belt and shoulders land together.'),
    ]),
  ]),
  t(
    'Shift from back to front stance',
    'step',
    'The centre crosses the middle between the feet, or nothing was gained.',
    [
      p(
        'Centre crosses the middle',
        'hips',
        'Watch the belt knot over a line on the floor',
        'Without it the arm works alone',
        [slip('Knot stops short of the line', 'Turning on the spot', 'Carry the knot across the river.')],
        { critical: true },
      ),
      p(
        'Front foot moves across',
        'feet',
        'Sideways onto its own track, not forward',
        'Forward opens a hole in the middle',
        [slip('Front foot runs ahead', 'Wanting reach', 'Open the door, do not walk through it.')],
      ),
    ],
  ),
  t('Swing turn', 'turn', 'The leg swings round first, stance and block lock together.', [
    p('Looks before turning', 'eyes', 'The head goes first', 'One does not turn into what one has not seen', [
      slip('Head comes with the shoulders', 'Turning as one piece', 'Eyes, then feet.'),
    ]),
    p('Heel is the hinge', 'feet', 'One turn on one spot', 'Small steps in the turn give it away', [
      slip('Two small steps', 'Foot planted too near', 'One swing, one place.'),
    ]),
    p(
      'Stance and block lock together',
      'timing',
      'Within a blink',
      'Late hands meet nothing',
      [slip('Block after the stance', 'Waiting for balance', 'Gate and bolt at once.')],
      { kind: 'measured', unit: 'ms', accepted: [-120, 120], wanted: [-50, 50] },
    ),
  ]),
  t('Cross turn', 'turn', 'Step across behind, then pivot; kinder to old knees.', [
    p(
      'Crosses a hip’s breadth',
      'feet',
      'Far enough to land on two tracks',
      'Too little and the new stance is a tightrope',
      [slip('Lands on one line', 'Short crossing', 'Step over the neighbour’s rail.')],
    ),
    p(
      'Turns on both balls',
      'feet',
      'No foot is left behind',
      'A stuck foot turns the knee',
      [slip('Rear foot stuck', 'Heel heavy', 'Both feet turn like one key.', 'self', 'the knee over the stuck foot')],
      { critical: true },
    ),
  ]),
  // --- hand shapes and grips
  t('Fist', 'hand shape', 'What hits, before it hits anything.', [
    p(
      'Thumb across in front',
      'hand',
      'Over the first two fingers, outside',
      'Inside it breaks, sticking out it catches',
      [
        slip('Thumb inside the fist', 'Holding on to something', 'Lock the door from outside.', 'self', 'the thumb'),
        slip('Thumb sticks out', 'Fist not closed', 'Thumb asleep on two fingers.', 'self', 'the thumb'),
      ],
      { critical: true },
    ),
    p(
      'Two knuckles lead',
      'hand',
      'The first two, in line with the forearm',
      'The small ones break',
      [
        slip(
          'Small knuckles lead',
          'Elbow flared',
          'Point with two.',
          'self',
          'the hand, broken at the small knuckles',
        ),
      ],
      { critical: true },
    ),
    p(
      'Wrist in line',
      'limb',
      'It feels bent to the beginner and looks straight',
      'A bent wrist gives before the target does',
      [slip('Wrist bends', 'Trusting the feeling, not the eye', 'Lay the staff along it.', 'self', 'the wrist')],
      { critical: true },
    ),
  ]),
  t('Edge of the hand', 'hand shape', 'Fingers together, thumb folded, the fleshy edge works.', [
    p('Fingers closed', 'hand', 'No light between them', 'Open fingers are caught and bent', [
      slip('Fingers spread', 'Tension in the back of the hand', 'Hold water.', 'self', 'the fingers'),
    ]),
    p('Thumb folded', 'hand', 'Along the hand, not under', 'A loose thumb is the first to go', [
      slip('Thumb sticks out', 'Forgotten', 'Thumb in its pocket.', 'self', 'the thumb'),
    ]),
  ]),
  t('Pulling hand', 'grip', 'It grips and pulls somebody in; it is not decoration.', [
    p('Comes all the way back', 'other hand', 'Fist at the hip, elbow behind', 'Half a pull is no pull', [
      slip('Stops at the belly', 'Watching the other hand', 'Start the lawnmower.'),
    ]),
    p('Pulls while the other strikes', 'timing', 'Both arrive together', 'It brings the target to the fist', [
      slip('Pulls late', 'Two thoughts', 'One rope over one wheel.'),
    ]),
    p(
      'Moved the partner',
      'other hand',
      'The receiver says so',
      'Only the one who is pulled knows',
      [slip('“It did not move me”', 'Arm only', 'Pull with the heel.')],
      { kind: 'felt' },
    ),
  ]),
  // --- strikes
  t(
    'Standing punch',
    'strike',
    'Straight from the hip in natural stance, by tens a side.',
    [
      p('Straight to the middle', 'target', 'Solar plexus, on the centre line', 'Drifting turns a punch into a wave', [
        slip('Drifts across the line', 'Shoulder leads', 'Down your own staff.'),
      ]),
      p(
        'Height stays',
        'target',
        'The tenth as high as the first',
        'Height sinks as the arm tires',
        [slip('Sinks after the fifth', 'Tired shoulder', 'Hit through the same knot.')],
        { kind: 'counted' },
      ),
      p('Elbow brushes the ribs', 'limb', 'Until the fist has left', 'A flared elbow bends the wrist', [
        slip(
          'Elbow flares',
          'Starting with the shoulder',
          'Paint your ribs with the elbow.',
          'self',
          'the wrist on impact',
        ),
      ]),
      p('Breath out on the punch', 'breath', 'Short, through the mouth', 'Held breath makes a stiff trunk', [
        slip('Breath held', 'Effort', 'Blow the candle.'),
      ]),
    ],
    { stance: 'Natural stance' },
  ),
  t(
    'Stepping punch',
    'strike',
    'One step, one punch: the fist lands with the foot.',
    [
      p(
        'Fist lands with the foot',
        'timing',
        'Neither before nor after',
        'Then the weight is in it',
        [slip('Fist after the foot', 'Stopping to aim', 'One clap.')],
        { kind: 'measured', unit: 'ms', accepted: [-100, 100], wanted: [-40, 40] },
      ),
      p('Shoulders low', 'shoulders', 'No shrug, no draw back', 'A raised shoulder is seen coming', [
        slip('Draws back before striking', 'Lack of confidence', 'Start from where you are.'),
      ]),
      p('Straight to the middle', 'target', 'Solar plexus, on the centre line', 'Drifting turns a punch into a wave', [
        slip('Drifts across the line', 'Shoulder leads', 'Down your own staff.'),
      ]),
      p('Eyes on the target', 'eyes', 'Ahead, not at the fist', 'The fist knows the way', [
        slip('Looks at the floor', 'Thinking of the feet', 'Look through the wall.'),
      ]),
    ],
    { stance: 'Front stance', step: 'Step forward' },
  ),
  t(
    'Reverse punch',
    'strike',
    'Rear hand from a settled stance, the hip first.',
    [
      p(
        'Hip turns first',
        'hips',
        'Then shoulder, then fist',
        'The arm alone is a push',
        [slip('Shoulder leads the hip', 'Reaching', 'Belt knot hits first.')],
        { critical: true },
      ),
      p(
        'Hips square at the end',
        'hips',
        'Belt knot to the target',
        'Half turned is half done',
        [slip('Hip stops half way', 'Rear foot asleep', 'Close the gate.')],
        degrees([-10, 15], [-5, 5]),
      ),
      p('Elbow behind the fist', 'limb', 'Pointing down', 'A flared elbow bends the wrist', [
        slip(
          'Elbow flares',
          'Starting with the shoulder',
          'Elbow follows the fist like a cart.',
          'self',
          'the wrist on impact',
        ),
      ]),
    ],
    { stance: 'Front stance' },
  ),
  t(
    'Lead punch',
    'strike',
    'The near hand, a little before the front foot settles.',
    [
      p(
        'Lands before the foot',
        'timing',
        'Twenty to a hundred milliseconds',
        'Then it is not announced',
        [slip('Foot first', 'Stepping, then striking', 'Touch, then stand.')],
        { kind: 'measured', unit: 'ms', accepted: [0, 140], wanted: [20, 100] },
      ),
      p('Comes back on its own line', 'hand', 'As fast as it went', 'What hangs in the air is taken', [
        slip('Drops on the way back', 'Tired', 'Hot stove.'),
      ]),
      p(
        'Rear hand stays',
        'other hand',
        'At the cheek',
        'The answer comes there',
        [
          slip(
            'Rear hand swings out',
            'Balance by arms',
            'Hold the telephone.',
            'self',
            'the face is open to every answer',
          ),
        ],
        { critical: true },
      ),
    ],
    { stance: 'Guard stance', step: 'Sliding step' },
  ),
  t(
    'Backfist',
    'strike',
    'From inside out, with the two knuckles, hip against hand.',
    [
      p('Hip against the hand', 'hips', 'Inside-out strikes turn the other way', 'It cracks like a towel', [
        slip('Hip goes along', 'As in a punch', 'Shake out the wet towel.'),
      ]),
      p(
        'Two knuckles lead',
        'hand',
        'Not the wrist',
        'The wrist has no knuckles',
        [slip('Hits with the wrist', 'Too near', 'Knock at the door.', 'self', 'the wrist')],
        { critical: true },
      ),
      p('Returns at once', 'hand', 'The elbow stays', 'A hanging arm is a handle', [
        slip('Arm stays out', 'Admiring it', 'Hot stove.'),
      ]),
    ],
    { stance: 'Guard stance' },
  ),
  t(
    'Elbow strike',
    'strike',
    'Near, and always at a distance from the partner.',
    [
      p('Hand to the own chest', 'hand', 'Forearm folded tight', 'Open it is a slow hook', [
        slip('Forearm hangs', 'Thinking of the hand', 'Hand in the coat.'),
      ]),
      p('Rises with the hip', 'hips', 'From the floor up', 'The shoulder alone tires', [
        slip('Shoulder only', 'Too far away', 'Step into the coat.'),
      ]),
      p(
        'Stops short of the partner',
        'target',
        'A hand’s length or more',
        'There is no light elbow',
        [
          slip(
            'Touches the partner',
            'Closing while striking',
            'Show it to the air beside the ear.',
            'partner',
            'face and teeth: elbows are shown at a distance only',
          ),
        ],
        { critical: true },
      ),
    ],
    { stance: 'Front stance' },
  ),
  t(
    'Palm check',
    'block',
    'A palm on the partner, arm nearly straight, then the hands change places.',
    [
      p('Arm nearly straight', 'limb', 'Not locked', 'A locked elbow is a lever for the other', [
        slip('Elbow locked', 'Pushing', 'Keep a letter in the elbow.', 'self', 'the elbow'),
      ]),
      p('Hands change places', 'other hand', 'One is always on', 'Between them is a hole', [
        slip('Both hands off', 'Resetting', 'Hand over the rope.'),
      ]),
      p(
        'Settled the partner',
        'target',
        'The receiver says so',
        'Only the receiver feels whether it holds',
        [slip('“I could walk through it”', 'Shoulder up', 'Lean the door shut.')],
        { kind: 'felt' },
      ),
    ],
    { stance: 'Guard stance' },
  ),
  t(
    'Clawing hand',
    'strike',
    'Open until the very end, then it closes and keeps its shape.',
    [
      p('Closes only at the end', 'timing', 'Open on the way', 'A closed claw is a slow fist', [
        slip('Closed from the start', 'Tension', 'Pick the apple when you are there.'),
      ]),
      p('Keeps its shape', 'hand', 'No finger gives way', 'A soft finger bends back', [
        slip('Little finger bends', 'Forgotten', 'Five hooks.', 'self', 'the fingers'),
      ]),
    ],
    { stance: 'Cat stance' },
  ),
  // --- blocks
  t(
    'Low block',
    'block',
    'From between shoulder and ear down to clear of the body; defends and steps.',
    [
      p('Loads at the ear', 'limb', 'Between shoulder and ear', 'No room, no block', [
        slip('Starts at the chest', 'Hurry', 'Pick up the telephone first.'),
      ]),
      p('Ends clear of the knee', 'target', 'A fist above the knee, not wide', 'Wide opens the middle', [
        slip('Swings wide', 'Strength', 'Shut the gate, not the field.'),
      ]),
      p('Other hand pulls', 'other hand', 'Fist to the hip', 'It brings the other one in', [
        slip('Lazy other hand', 'Watching the block', 'One rope over one wheel.'),
      ]),
      p('Forearm turns at the end', 'hand', 'In the last hand’s breadth', 'Turning early shows the soft side', [
        slip('Turns early', 'Thinking of the shape', 'Key at the door.'),
      ]),
    ],
    { stance: 'Front stance', step: 'Step forward' },
  ),
  t(
    'Inner block',
    'block',
    'From outside across the centre line to the far shoulder.',
    [
      p(
        'Crosses the centre line',
        'target',
        'The line from the nose straight down',
        'Before it nothing is safe',
        [slip('Stops on the line', 'Small shape', 'Put the parcel on the other shelf.')],
        { critical: true },
      ),
      p('Loads by the same ear', 'limb', 'Elbow out, fist by the ear', 'Half loaded is half the way', [
        slip('Loads at the shoulder', 'Hurry', 'Listen to your fist.'),
      ]),
      p('Ends at the far shoulder line', 'target', 'No farther', 'Too far and the other side is open', [
        slip('Swings past', 'Strength', 'Stop at the doorpost.'),
      ]),
    ],
    { stance: 'Front stance', step: 'Step forward' },
  ),
  t(
    'Outer block',
    'block',
    'Starts at the centre and moves out; loads at the opposite hip here.',
    [
      p(
        'Loads at the opposite hip',
        'limb',
        'This hall’s way; others load high',
        'The path crosses all of the middle',
        [slip('Loads in the air', 'Forgetting', 'Draw from the belt.')],
      ),
      p('Stops at the shoulder', 'target', 'Elbow a fist from the ribs', 'Wider is form only', [
        slip('Elbow leaves the ribs', 'Strength', 'Keep the loaf under the arm.'),
      ]),
      p('Hip against the block', 'hips', 'Half turned', 'It puts the trunk behind the arm', [
        slip('Hip goes along', 'As in a punch', 'Wind the spring.'),
      ]),
    ],
    { stance: 'Back stance' },
  ),
  t(
    'Rising block',
    'block',
    'Hands cross before the face, the forearm ends above it and slanted.',
    [
      p('Crosses before the face', 'limb', 'Forearm passes the other', 'The cross covers on the way', [
        slip('Goes straight up', 'Hurry', 'Draw the curtain.'),
      ]),
      p(
        'Ends above the head',
        'target',
        'A fist from the brow',
        'Lower it lands on the head',
        [slip('Stops at the eyes', 'Tired arm', 'Room for a hat.', 'self', 'the head is under the blow')],
        { critical: true },
      ),
      p(
        'Forearm slants',
        'limb',
        'So that the blow slides off',
        'A level arm is a shelf',
        [slip('Level like a shelf', 'Shape only', 'Roof, not shelf.')],
        degrees([25, 60], [35, 50]),
      ),
    ],
    { stance: 'Front stance', step: 'Step forward' },
  ),
  t(
    'Cover',
    'block',
    'Elbows in, arms and crown make a triangle with a window; step in, not back.',
    [
      p(
        'Window to see through',
        'eyes',
        'Between the forearms',
        'Shut eyes are hit eyes',
        [
          slip(
            'Eyes shut',
            'Thrown in too early',
            'Count the knots on my belt.',
            'self',
            'what is not seen is not met',
          ),
        ],
        { critical: true },
      ),
      p('Steps in', 'feet', 'Half a step to the partner', 'Behind is where it is strongest', [
        slip('Runs back', 'Fear', 'Under the eaves.'),
      ]),
      p('Elbows shut', 'limb', 'Touching the ribs', 'The body is below', [
        slip('Elbows open', 'Covering the face only', 'Close the shutters.'),
      ]),
    ],
    { stance: 'Guard stance' },
  ),
  // --- kicks
  t(
    'Front kick',
    'kick',
    'With the ball of the foot, past the other knee, back straight.',
    [
      p(
        'Ball of the foot',
        'feet',
        'Toes pulled back',
        'Toes break',
        [slip('Toes lead', 'Pointing the foot', 'Toes to the ceiling.', 'self', 'the toes')],
        { critical: true },
      ),
      p('Foot passes the other knee', 'knees', 'On the way out and back', 'Straight from the floor is a swing', [
        slip('Swings up straight', 'Hurry', 'Over the fence, twice.'),
      ]),
      p('Back straight', 'trunk', 'No lean to get higher', 'Leaning takes the hip out', [
        slip('Leans back', 'Height before hips', 'Same height, less show.'),
      ]),
      p('Base foot quiet', 'feet', 'Neither lifts nor slides', 'The floor is half of it', [
        slip('Base heel lifts', 'Reaching', 'Nail through the heel.'),
      ]),
      p('Guard stays', 'other hand', 'Both hands where they were', 'Arms that swing open the face', [
        slip('Arms swing down', 'Balance by arms', 'Carry the tray.', 'self', 'the face is open to every answer'),
      ]),
      p(
        'On the knot',
        'target',
        'Belt height, three of five at least',
        'Where is worth more than how high',
        [slip('Lands low', 'Tired knee', 'Kick the knot off.')],
        { kind: 'counted' },
      ),
    ],
    { stance: 'Front stance' },
  ),
  t(
    'Roundhouse kick',
    'kick',
    'With the instep, knee first, hip over, base foot round.',
    [
      p(
        'Base foot turns on the ball',
        'feet',
        'A hundred and thirty-five degrees wanted, ninety will do',
        'A stuck foot twists the knee above it',
        [
          slip(
            'Stays short of ninety',
            'Weight on the heel',
            'Show the target your heel.',
            'self',
            'the base knee, twisted over a stuck foot',
          ),
        ],
        degrees([90, 180], [125, 150], true),
      ),
      p('Base knee bent', 'knees', 'Over the toes', 'A straight one locks', [
        slip('Locks straight as the leg opens', 'Reaching up', 'Sit a little.', 'self', 'the base knee'),
      ]),
      p('Knee up first, folded', 'knees', 'Heel at the seat', 'A straight leg is a gate', [
        slip('Leg swings up straight', 'Hurry', 'Knee, then shin.'),
      ]),
      p('Hip turned over', 'hips', 'Upper hip over the lower', 'Otherwise it scoops', [
        slip('Seat stays back, kick scoops', 'Base foot stuck', 'Roll over the fence.'),
      ]),
      p(
        'Strikes with the instep',
        'feet',
        'Toes long',
        'Curled toes meet the target first',
        [slip('Toes curl up', 'Front kick habit', 'Toes long, as if on tiptoe.', 'self', 'the toes')],
        { critical: true },
      ),
      p('Breath out as it lands', 'breath', 'Short', 'Held breath makes it stiff', [
        slip('Breath held', 'Effort', 'Blow the candle.'),
      ]),
    ],
    { stance: 'Guard stance' },
  ),
  t(
    'Side kick',
    'kick',
    'With the heel, by five counts; at the wall by four.',
    [
      p(
        'Base foot turns away',
        'feet',
        'A hundred and eighty wanted',
        'The hip needs the room',
        [slip('Base foot sideways', 'Fear for balance', 'Heel to the target.', 'self', 'the base knee')],
        degrees([140, 195], [165, 185], true),
      ),
      p('Heel leads', 'feet', 'Edge and heel, toes down', 'The sole is soft', [
        slip('Flat foot', 'Hip not turned', 'Kick with the shoe’s corner.'),
      ]),
      p('Knee does not drop', 'knees', 'Before it goes out', 'Dropped, it comes from below', [
        slip('Knee drops before the kick', 'Tired hip', 'Kick across the table.'),
      ]),
      p(
        'Hip, knee, shoulder in line',
        'trunk',
        'At full stretch',
        'A kink swallows the push',
        [slip('Kinks at the hip', 'Looking over the shoulder', 'Lie on the air.')],
        degrees([0, 20], [0, 8]),
      ),
      p('Recovery does not pedal', 'timing', 'Back the way it came', 'Pedalling falls forward', [
        slip('Pedals down', 'No balance left', 'Film backwards.'),
      ]),
    ],
    { stance: 'Guard stance' },
  ),
  t(
    'Back kick',
    'kick',
    'With the heel, straight behind, past the own knee.',
    [
      p(
        'Looks first',
        'eyes',
        'Over the near shoulder',
        'Nobody kicks what they have not seen',
        [slip('Kicks blind', 'Hurry', 'Eyes, then heel.', 'partner', 'whoever stands behind')],
        { critical: true },
      ),
      p('Heel past the knee', 'feet', 'Close by', 'Wide it hooks', [
        slip('Hooks outward', 'Hip opens', 'Slide it along the other leg.'),
      ]),
      p('Toes down', 'feet', 'All the way', 'Toes out open the hip', [
        slip('Toes to the side', 'Hip opens', 'Laces to the floor.'),
      ]),
    ],
    { stance: 'Front stance' },
  ),
  t(
    'Cat-stance kick',
    'kick',
    'The front foot only; the belt does not know.',
    [
      p(
        'Belt stays still',
        'hips',
        'No shift before',
        'That is why one stands so',
        [slip('Rocks back', 'Weight on the front foot', 'The belt does not know.')],
        { critical: true },
      ),
      p('Snaps back', 'timing', 'Faster than out', 'A leg left out is taken', [
        slip('Leg hangs', 'Tired', 'Hot stove.'),
      ]),
      p(
        'Ball of the foot',
        'feet',
        'Toes pulled back',
        'Toes break',
        [slip('Toes lead', 'Pointing the foot', 'Toes to the ceiling.', 'self', 'the toes')],
        { critical: true },
      ),
    ],
    { stance: 'Cat stance' },
  ),
  t(
    'Knee lift',
    'kick',
    'The first count of every kick, held.',
    [
      p('Knee above the belt', 'knees', 'Heel at the seat', 'What is not up cannot go out', [
        slip('Knee at belt height', 'Stiff hip', 'Lift the tray with the knee.'),
      ]),
      p(
        'Stands for three breaths',
        'trunk',
        'Without a hop',
        'Balance first',
        [slip('Hops', 'Looking down', 'Look at one nail.')],
        { kind: 'counted' },
      ),
    ],
    { stance: 'Natural stance' },
  ),
  // --- falls
  t(
    'Back fall',
    'fall',
    'Round, chin in, arms at forty-five degrees.',
    [
      p(
        'Chin on the chest',
        'trunk',
        'Look at the belt',
        'The head does not meet the floor',
        [
          slip(
            'Head goes back',
            'Looking where one falls',
            'Read your own belt.',
            'self',
            'the head: stop, and take the beginner back to sitting',
          ),
        ],
        { critical: true },
      ),
      p(
        'Arms slap flat',
        'limb',
        'A little out, before the back',
        'They take what the back would take',
        [slip('Falls on the elbow', 'Reaching for the floor', 'Two fish on the table.', 'self', 'elbow and shoulder')],
        { critical: true },
      ),
      p('Back is round', 'trunk', 'Like a chair that rocks', 'Flat is hard', [
        slip('Lands flat', 'Straight legs', 'Sit before you lie.'),
      ]),
    ],
    { sided: false },
  ),
  t('Side fall', 'fall', 'On the side of the leg that gives, head off the floor.', [
    p(
      'Head off the floor',
      'trunk',
      'Ear from shoulder',
      'A floor is hard',
      [slip('Head drops', 'Tired neck', 'Listen at the wall.', 'self', 'the head')],
      { critical: true },
    ),
    p('Long side, not the hip', 'hips', 'From calf to shoulder', 'The hip bone has no cushion', [
      slip('Lands on the hip bone', 'Sitting down sideways', 'Roll out the carpet.', 'self', 'the hip'),
    ]),
  ]),
  t('Forward roll', 'fall', 'Over the arm and across the back, up again.', [
    p(
      'Across the back',
      'trunk',
      'From shoulder to the other hip',
      'Along the spine hurts',
      [
        slip(
          'Straight over the head',
          'Fear of the side',
          'From this shoulder to that pocket.',
          'self',
          'neck and spine: stop and go back to kneeling',
        ),
      ],
      { critical: true },
    ),
    p('Comes up in guard', 'timing', 'Facing where one came from', 'It is not over yet', [
      slip('Turns the back', 'Dizzy', 'Find my eyes.'),
    ]),
  ]),
  // --- staff
  t(
    'Staff grip',
    'grip',
    'Thirds of the staff, thumbs along it, loose on the way.',
    [
      p('Hands at the thirds', 'hand', 'Three equal parts', 'Otherwise one end is too heavy', [
        slip('Hands together', 'As with a broom', 'Three loaves, three parts.'),
      ]),
      p('Loose on the way', 'hand', 'Tight at the end only', 'A throttled staff is slow', [
        slip('White knuckles', 'Effort', 'A bird in the hand.'),
      ]),
      p(
        'Distance to the neighbour',
        'target',
        'A staff and a half all round',
        'A staff has two ends',
        [
          slip(
            'Too near the next in line',
            'Full hall',
            'Turn once: touch nobody.',
            'partner',
            'whoever stands within the circle',
          ),
        ],
        { critical: true },
      ),
    ],
    { sided: false },
  ),
  t(
    'Staff downward cut',
    'weapon cut',
    'Step with the foot on the side where the cut starts.',
    [
      p(
        'Steps with the cut',
        'feet',
        'The foot of the side where it starts',
        'The other leg is clear of the path',
        [
          slip(
            'Steps against the cut',
            'Habit from the punch',
            'Foot and shoulder of one side.',
            'self',
            'the own front knee lies in the path',
          ),
        ],
        { critical: true },
      ),
      p('Stops level', 'target', 'At the middle, without a bounce', 'What bounces was not held', [
        slip('Hits the floor', 'Arms alone', 'Lay it on the table.'),
      ]),
      p('Rear end under the arm', 'limb', 'Not before the belly', 'It must not come back into oneself', [
        slip(
          'End before the belly',
          'Hands crossed',
          'Loaf under the arm.',
          'self',
          'the belly, if the staff is stopped',
        ),
      ]),
    ],
    { stance: 'Front stance', step: 'Step forward' },
  ),
  t(
    'Staff diagonal cut',
    'weapon cut',
    'From the shoulder to the far knee, off the line.',
    [
      p(
        'Leaves the line',
        'feet',
        'Thirty to sixty degrees',
        'Straight back and forward is where it comes',
        [slip('Stays on the line', 'Watching the staff', 'Off the bridge.')],
        degrees([25, 65], [35, 55]),
      ),
      p('Faces the opponent', 'hips', 'While they do not face you', 'That is what the step was for', [
        slip('Faces past', 'Stepped too far', 'Belt knot finds them.'),
      ]),
      p(
        'Steps with the cut',
        'feet',
        'The foot of the side where it starts',
        'The other leg is clear of the path',
        [
          slip(
            'Steps against the cut',
            'Habit',
            'Foot and shoulder of one side.',
            'self',
            'the own front knee lies in the path',
          ),
        ],
        { critical: true },
      ),
    ],
    { stance: 'Front stance' },
  ),
  t(
    'Staff thrust',
    'weapon cut',
    'Through the front hand as through a ring.',
    [
      p('Slides through the front hand', 'hand', 'The hand stays, the staff goes', 'It steers', [
        slip('Front hand goes along', 'As in a punch', 'Billiards.'),
      ]),
      p('Rear elbow behind the staff', 'limb', 'On its line', 'Beside it, it bends away', [
        slip('Elbow flares', 'Shoulder up', 'Cart behind the horse.'),
      ]),
      p(
        'Short of the partner',
        'target',
        'Two hands’ lengths',
        'There is no light thrust',
        [
          slip(
            'Runs up to the partner',
            'Stepping while thrusting',
            'Thrust at the shadow.',
            'partner',
            'ribs and face',
          ),
        ],
        { critical: true },
      ),
    ],
    { stance: 'Back stance' },
  ),
  t(
    'Staff sweep',
    'weapon cut',
    'Low and flat, from the hip, at the height of a shin.',
    [
      p('Hip brings it', 'hips', 'Arms only hold', 'Arms alone stop at the shin', [
        slip('Arms swing', 'Standing too upright', 'Turn the millstone.'),
      ]),
      p('Flat above the floor', 'target', 'A hand high', 'On the floor it stops, higher it is jumped', [
        slip('Scrapes the floor', 'Bowing', 'Mow the grass, not the earth.'),
      ]),
    ],
    { stance: 'Straddle stance' },
  ),
  // --- evasions, touches and pushes
  t('Hook punch', 'strike', 'A short half circle; the elbow is as high as the fist.', [
    p('Elbow behind the fist', 'limb', 'At the height of the fist all the way', 'A dropped elbow slaps', [
      slip('Elbow drops', 'Arm only', 'Lay the forearm on a table.', 'self', 'the wrist on impact'),
    ]),
    p('Hip turns with the hand', 'hips', 'Outside-in strikes turn hip and hand alike', 'The arm alone is light', [
      slip('Hip stays behind', 'Reaching', 'Belt and fist go together.'),
    ]),
  ]),
  t('Slip', 'evasion', 'A straight blow needs only a hand breadth to miss.', [
    p(
      'Moves just enough',
      'trunk',
      'Seventy-five to a hundred millimetres',
      'Farther is slower to come back',
      [slip('Runs from the blow', 'Fear', 'Let it comb your hair.')],
      { kind: 'measured', unit: 'cm', accepted: [5, 15], wanted: [7.5, 10] },
    ),
    p('Eyes stay on the partner', 'eyes', 'The head moves, the look does not', 'What is not seen lands', [
      slip('Eyes shut', 'Gloves too early', 'Count the partner’s fingers.'),
    ]),
  ]),
  t('Duck', 'evasion', 'Under a hook: the knees bend, not the back.', [
    p('Knees bend, back upright', 'knees', 'As under a low beam', 'A bent back meets a knee', [
      slip('Bows', 'Stiff knees', 'Sit, do not bow.', 'self', 'the face, into a rising knee'),
    ]),
  ]),
  t('Open-hand touch', 'hand shape', 'For the touch games: flat, soft, gone again.', [
    p('Soft', 'hand', 'The receiver says so', 'It is a game for everybody', [slip('Slaps', 'Heat', 'Wipe dust off.')], {
      kind: 'felt',
    }),
    p('Comes straight back', 'other hand', 'To the guard', 'Who stays is touched', [
      slip('Hand stays out', 'Looking at it', 'Hot stove.'),
    ]),
  ]),
  t('Push', 'grip', 'Both palms, arms nearly straight, the feet do the work.', [
    p('Feet push, arms only carry', 'feet', 'Rear heel to palm in one line', 'Arms alone bounce off', [
      slip('Arms bend', 'Pushing from the chest', 'Be a beam.'),
    ]),
  ]),
];

function degreesSlip(looksLike: string): DemoSlip[] {
  return [slip(looksLike, 'Habit', 'Toes to one o’clock.')];
}
