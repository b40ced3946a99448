/** A password that can be said aloud once: three words of the workshop and a number. */
export function sayablePassword(): string {
  const words = [
    'reed',
    'sluice',
    'ferry',
    'plank',
    'rope',
    'heron',
    'lantern',
    'willow',
    'causeway',
    'notch',
    'pole',
    'marsh',
    'oar',
    'peg',
    'cord',
    'staff',
    'gate',
    'alder',
    'dyke',
    'thatch',
    'eel',
    'rush',
    'tide',
    'lock',
    'plum',
    'brass',
    'linen',
    'wedge',
    'chisel',
    'plane',
    'hull',
    'mast',
  ];
  const dice = crypto.getRandomValues(new Uint32Array(5));
  const pick = (i: number) => words[dice[i]! % words.length]!;
  return `${pick(0)}-${pick(1)}-${pick(2)}-${pick(3)}-${(dice[4]! % 900) + 100}`;
}
