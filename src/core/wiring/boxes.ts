import type { Station } from '../station';
import { phrase, type Phrase } from '../units';
import type { WiringCheck } from './check';

const yes = (id: string, title: string, holds: boolean, why: Phrase): WiringCheck => ({
  id,
  title,
  state: holds ? 'holds' : 'broken',
  sense: null,
  needs: null,
  has: null,
  why,
});

/** Boxes and seals, each with its reason. Pit gases, damp and flood must not reach live parts. */
export function boxChecks({ enclosure, pumps, sensors }: Station): WiringCheck[] {
  const { place, conduit, splices, dripLoops, glands, lockable } = enclosure;
  return [
    yes(
      'box-place',
      'panel out of the pit',
      place !== 'in-the-pit',
      phrase`A panel in the pit is in its gas and its flood: it belongs above, where a person can stand before it.`,
    ),
    yes(
      'box-conduit',
      'conduit from the pit is broken or sealed',
      conduit !== 'straight',
      phrase`Straight into the box it leads gas that burns, poisons and corrodes, and damp, to live contacts. Break it in the open air, or seal it.`,
    ),
    yes(
      'box-splices',
      'splices above flood, or sealed',
      splices !== 'below-flood',
      phrase`A splice under the flood level lets water into cord and float, and current into the water. Above it in a drained box, or in a sealed one.`,
    ),
    yes(
      'box-drip',
      'drip loops',
      dripLoops,
      phrase`Water runs along a cord to its lowest point: make that a loop outside the box.`,
    ),
    yes(
      'box-glands',
      'a grip for every cord',
      glands,
      phrase`${String(pumps.length + sensors.length)} cords and cables come in: each with a gland that fits it, or damp and insects come too and cords pull out.`,
    ),
    yes(
      'box-lock',
      'lid and disconnect can be locked',
      lockable,
      phrase`Whoever works in the pit locks it off and keeps the key. A lid that does not lock is opened by the curious.`,
    ),
  ];
}
