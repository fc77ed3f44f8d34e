import { traitsOf } from '../../duties';
import { joukowsky, materialOf, waveSpeed } from '../../hydraulics';
import { density, GRAVITY } from '../../physics';
import { phrase, quantity } from '../../units';
import { notAsked, type Rule } from '../rule';

/** When the pumps stop all at once, the blow in the line stays within what it is made for. */
export const surge: Rule<'surge'> = {
  id: 'surge',
  title: 'blow in the line when the power fails',
  severity: 'should',
  otherThanFloats: true,
  about: ['pipe'],
  judge({ station, hydraulics, calls, stop }) {
    const about = ['pipe'] as const;
    if (traitsOf(station).mover.kind === 'valve') return notAsked(phrase`It is filled through a valve.`, about);
    const { segments, rating } = station.discharge;
    const all = hydraulics.at(calls.at(-1)!, calls.length);
    if (!all.ok)
      return notAsked(phrase`No flow is known: see the pump against its ${traitsOf(station).words.inflow}.`, about);
    const rho = density(station.settings.waterTemperature);
    const blows = segments.map((s) => {
      const velocity = all.flow / ((Math.PI / 4) * s.bore ** 2);
      return { s, velocity, wave: waveSpeed(s, rho), pressure: joukowsky(rho, waveSpeed(s, rho), velocity) };
    });
    const worst = blows.reduce((a, b) => (b.pressure > a.pressure ? b : a));
    const still = rho * GRAVITY * Math.max(hydraulics.staticHead(stop), 0);
    const assumed = worst.s.material === null || worst.s.wall === null ? ' (pipe or wall assumed)' : '';
    const blow = phrase`Should ${quantity('velocity', worst.velocity)} in ${worst.s.name} stop at once, a wave of ${quantity('velocity', worst.wave)} in ${materialOf(worst.s)}${assumed} puts ${quantity('pressure', worst.pressure)} on it, over ${quantity('pressure', still)} of standing water`;
    if (rating === null)
      return notAsked(phrase`${blow}. What the line is made for is not surveyed: not asked here.`, about);
    return [
      {
        sense: 'at-most',
        needs: quantity('pressure', rating),
        has: quantity('pressure', still + worst.pressure),
        why: phrase`${blow}; the line is made for ${quantity('pressure', rating)}. The most that there can be: a slow valve or a long line takes less.`,
        about,
      },
    ];
  },
};
