import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import { notAsked, type Rule } from '../rule';

/** With the pump standing the line stands too: it does not empty the pit by its own fall, nor a tank that it fills from below. */
export const still: Rule<'still'> = {
  id: 'still',
  title: 'nothing flows with the pump off',
  severity: 'must',
  settings: ['standingLoss'],
  otherThanFloats: true,
  about: ['pipe'],
  judge({ station, hydraulics, stop, lead, vessel }) {
    const about = ['pipe', 'level:stop', 'level:lead'] as const;
    const { mover, direction, drowned, words } = traitsOf(station);
    if (mover.kind === 'valve')
      return notAsked(phrase`A valve fills it, and nothing flows while it is shut.`, ['pipe']);
    const highest = Math.max(stop, lead);
    const flow = hydraulics.still(highest);
    if (direction === 'fill') {
      if (!drowned)
        return notAsked(phrase`It is filled from above the water: what stands in the tank cannot run back.`, ['pipe']);
      if (flow === 0)
        return notAsked(
          phrase`A check valve is surveyed in the line that fills it from below; whether it closes is for a test.`,
          ['pipe'],
        );
      const back = vessel.volume(highest) - vessel.volume(Math.max(hydraulics.crest, 0));
      return [
        {
          sense: 'at-most',
          needs: quantity('volume', 0),
          has: quantity('volume', Math.max(back, 0)),
          scale: Math.max(back, 1e-6),
          why: phrase`It is filled from below, and no check valve is fitted: with the pump off ${quantity('flow', -flow)} run back through it, turn it backwards, and go on down to ${quantity('height', Math.max(hydraulics.crest, 0))}. Fit a check valve, or fill from above.`,
          about,
        },
      ];
    }
    const over = hydraulics.standingHeight(highest);
    const bottom = Math.max(...station.pumps.map((p) => p.intake));
    const siphon = hydraulics.siphons
      ? phrase`once a pump has brought the water over the high point it goes on as a siphon, ${quantity('flow', flow)} at first, down to ${quantity('height', Math.max(bottom, over))}, where air breaks it or the levels meet. Vent the high point`
      : phrase`the ${words.vessel} empties by itself, ${quantity('flow', flow)} at first, through the pump that stands, down to ${quantity('height', Math.max(bottom, over))}: the level never comes to call while no more than that comes in. A vented high point over the water keeps it`;
    return [
      {
        sense: 'at-least',
        needs: quantity('height', highest),
        has: quantity('height', over),
        scale: Math.max(station.settings.minimumGap, Math.abs(over - highest), 1),
        why:
          over < highest
            ? phrase`The outlet is at ${quantity('height', over)}, below the water of ${quantity('height', highest)}: ${siphon}.`
            : phrase`The water is never over ${quantity('height', highest)} when the pumps work, and the line ends, or has a vent, at ${quantity('height', over)}: nothing runs out by itself.`,
        about,
      },
    ];
  },
};
