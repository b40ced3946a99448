import { countsSaid, type Check } from './finding';

/** Where breath is written, it goes out on the strikes. */
export const breath: Check = ({ seq, found }) => {
  const strikes = seq.moves.flatMap((m, i) =>
    m.step.actions.some((a) => a.kind === 'strike' || a.kind === 'kick') ? [{ n: i + 1, breath: m.step.breath }] : [],
  );
  if (strikes.length === 0 || !seq.moves.some((m) => m.step.breath !== null)) return;
  const inward = strikes.filter((s) => s.breath === 'in').map((s) => s.n);
  if (!strikes.some((s) => s.breath === 'out'))
    found(
      'breath',
      false,
      strikes.map((s) => s.n),
      'The breath never goes out on a strike.',
    );
  else if (inward.length > 0) found('breath', false, inward, `${countsSaid(inward)}: the breath goes in on a strike.`);
  else found('breath', true, [], 'The breath goes out on the strikes.');
};
