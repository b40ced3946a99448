/** A word of our own, as it is explained where it first stands and in the list of all. */
export interface Meaning {
  word: string;
  means: string;
}

/** Every word that a newcomer could take for something else, in the order in which they are met. */
export const GLOSSARY = {
  technique: { word: 'technique', means: 'One skill: a stance, step, turn, strike, block, kick, grip, fall or cut.' },
  point: {
    word: 'point',
    means:
      'One thing to look at in a technique, from the ground up, with why it matters. It is seen, measured, counted or felt.',
  },
  critical: {
    word: 'critical',
    means: 'Of a point: the technique does not count without it, so more of it must hold.',
  },
  held: {
    word: 'held, slipped',
    means:
      'What a point was in one repetition: it was there, or it was not. What nobody saw is “not seen”, never a slip.',
  },
  slip: {
    word: 'slip',
    means: 'A way in which a point goes wrong: what it looks like, the cue that mends it, whom it can hurt.',
  },
  canHurt: { word: 'can hurt', means: 'A slip by which somebody can be hurt. It comes before every other correction.' },
  block: {
    word: 'block',
    means: 'A stretch of a class with what is done in it, its minutes, people and things. It is timed by itself.',
  },
  pair: {
    word: 'pair, rung tonight',
    means:
      'Two, or three, who work together at the lower of their rungs, both having said yes tonight. A rung is how far contact goes.',
  },
  sequence: {
    word: 'sequence',
    means: 'Moves in order: a form, a combination, an equipment set, or a partner drill with two lanes.',
  },
  count: {
    word: 'count',
    means: 'One move of a sequence: turn, step, stance and what the limbs do, all on one number.',
  },
  stave: {
    word: 'stave',
    means: 'The lines on which a sequence is drawn, one column a count: right above, left below.',
  },
  derivation: {
    word: 'derivation',
    means: 'The recipe by which a sequence comes from another: the other side, a pyramid, answers, a kick version.',
  },
  condition: {
    word: 'condition',
    means: 'How it is done: in the air, against a target, with a set partner, free. The school says which is harder.',
  },
  ceiling: {
    word: 'ceiling',
    means: 'The farthest a technique may go, by condition, target and force, at an age and contact rung.',
  },
  rung: {
    word: 'contact rung',
    means: 'How far contact goes: from slow with soft hands upwards. It needs a yes, and a guardian’s for minors.',
  },
  way: {
    word: 'the way',
    means: 'Where an item goes through the belts: where it is introduced, worked on, tested and kept.',
  },
  requirement: { word: 'requirement', means: 'What a belt asks: an item, the condition, and how good.' },
  standard: {
    word: 'standard',
    means: 'How good: how many clean repetitions of how many, on how many days, on both sides or one, and how fresh.',
  },
  gate: {
    word: 'gate',
    means: 'What a belt asks besides technique: time, classes or hours, age, consent, no open injury.',
  },
  version: {
    word: 'version',
    means:
      'The syllabus as it counts from a day on. Published, it does not change; a new one is drafted and published.',
  },
  roll: { word: 'roll', means: 'Everybody who trains here, with the belt they wear and since when.' },
  line: { word: 'line', means: 'Those who are here this evening, in the order in which they stand.' },
  look: {
    word: 'look',
    means: 'Somebody watched a student do an item: when, how, which side, what held and what slipped.',
  },
  sweep: { word: 'sweep', means: 'One point along the whole line, one tap a person.' },
  card: { word: 'card', means: 'All points of one person, from the ground up.' },
  verdict: {
    word: 'verdict',
    means:
      'What the looks add up to, never typed in: met, close (one more clean look), short, stale (too long ago) or unseen.',
  },
  oneThing: { word: 'the one thing', means: 'The one correction a student is working on, until it holds.' },
  worthALook: { word: 'worth a look', means: 'Whom to watch and for what: what would settle most before the grading.' },
  pause: { word: 'laid off', means: 'Work that rests for a student until a habit is gone, or an injury has healed.' },
  adapted: { word: 'adapted', means: 'Of a point: asked otherwise of one student, for a reason that is kept.' },
  override: {
    word: 'the head’s word',
    means: 'A verdict that a head instructor set against what the looks add up to, with the reason.',
  },
  struck: {
    word: 'struck',
    means: 'Taken out of the record because it was wrong. It stays readable, with who struck it and why.',
  },
  chance: {
    word: 'on the day',
    means: 'How likely the belt would pass, reckoned from looks as if the grading were today.',
  },
  makeUp: { word: 'to make up', means: 'What was shown while a student was away, until a look ticks it off.' },
} as const satisfies Record<string, Meaning>;

export type GlossaryWord = keyof typeof GLOSSARY;
