import type { Sited, SitingFault } from '../../equipment/siting';
import { capital, low } from './speak';

const WALLS = { front: 'front wall', back: 'back wall', left: 'left wall', right: 'right wall' } as const;
const cm = (metres: number) => `${Math.ceil(metres * 100 - 1e-9)} cm`;
const called = (s: Sited) => (s.no > 1 ? `${s.name} ${s.no}` : s.name);

/** “Striking post: 33 cm are missing to the back wall.” What it is for is said with it. */
export function sitingInWords(f: SitingFault): string {
  const it = capital(called(f.of));
  if (f.kind === 'outside') return `${it} does not stand in this hall: its place lies beyond a wall.`;
  if (f.kind === 'apart')
    return `${it} and ${low(called(f.other))}: who works here and who works there are in each other’s way by ${cm(f.short)}.`;
  if (f.kind === 'backstop')
    return `${it}: nothing soft stands behind a holder who goes back; the wall is ${f.wall.toFixed(1)} m away. Set a mat upright behind.`;
  const why = {
    post: 'room behind the elbow and to its sides',
    'armed post': 'the half circle in which one walks round it',
    bag: 'a leg’s length all round',
    wall: 'an arm and a leg',
    'kick shield': 'room for who kicks',
  }[f.of.shape as string];
  return `${it}: ${cm(f.short)} are missing to the ${WALLS[f.wall]}${why ? `, for ${why}` : ''}.`;
}
