import { countByCount, type Check } from './finding';

/** How far to the side a step goes before it is one to the side, in degrees from the facing. */
const ASIDE = { from: 60, to: 120 };

/**
 * The foot nearest the way goes first: in a step to the side, and in a slide whichever foot stands out that way (F 18;
 * common practice, no source). A foot that is meant to go over the other is written as crossing.
 */
export const firstFoot: Check = (looked) => {
  for (const { n, step, before, at } of countByCount(looked)) {
    const { foot } = step;
    if (!foot) continue;
    const away = Math.abs(foot.toward);
    const aside = away >= ASIDE.from && away <= ASIDE.to;
    const way = (Math.PI * (at.heading + foot.toward)) / 180;
    const out = (side: 'left' | 'right') => before[side].x * Math.sin(way) + before[side].y * Math.cos(way);
    const nearest = aside
      ? foot.toward > 0
        ? 'right'
        : 'left'
      : foot.way === 'slide' && Math.abs(out('left') - out('right')) > 0.05
        ? out('left') > out('right')
          ? 'left'
          : 'right'
        : foot.side;
    if ((foot.way !== 'step' && foot.way !== 'slide') || nearest === foot.side || before.lifted === foot.side) continue;
    looked.found(
      'first foot',
      false,
      [n],
      `Count ${n} ${foot.way === 'slide' ? 'slides' : 'steps'} with the ${foot.side} foot first; the ${nearest} one is nearest that way${foot.way === 'step' ? `, or say “cross ${foot.side === 'left' ? 'L' : 'R'}”` : ''}.`,
    );
  }
};
