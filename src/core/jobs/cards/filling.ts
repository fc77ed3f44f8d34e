import { traitsOf } from '../../duties';
import { faultsOf } from '../../faults';
import { atRest, perform, worldOf, type Act } from '../../tests';
import { phrase, quantity, type Phrase } from '../../units';
import { controlFigures, happens, type WiringCheck } from '../../wiring';
import { liftFloat } from '../acts';
import type { Bench, Job } from '../job';
import { closing, cycles, likeIt, see, take, takeAll, work } from '../parts';

/** Checks of the control circuit that are about some devices, as lines: asked of this panel. */
const checks = ({ station, world, panel }: Bench, about: (c: WiringCheck) => boolean): Phrase[] =>
  panel
    ? controlFigures(station, world.wiring({ cores: [], links: [] }).wired)
        .filter(about)
        .map((c) =>
          c.needs && c.has ? phrase`${c.title}: ${c.has} of ${c.needs} (${c.state}).` : phrase`${c.title}: ${c.why}`,
        )
    : [];

const fills = ({ station }: Bench): Phrase | null =>
  traitsOf(station).direction === 'fill' ? null : phrase`nothing fills it: it is emptied`;

/** Filling through a low-voltage float and a relay. */
export const relayFill: Job = {
  id: 'J7',
  title: 'Filling through a low-voltage float and a relay',
  when: 'A tank is filled by a pump or valve, and a float shall say when.',
  begins: 'fill',
  against: (bench) =>
    fills(bench) ??
    (bench.has('relay') || bench.has('solid-state')
      ? null
      : phrase`no relay stands between its float and what fills it`),
  make(bench) {
    const { station, levels, panel } = bench;
    const float = bench.sensor('pump') ?? bench.sensor('stop')!;
    const relay =
      panel!.devices.find((d) => (d.function === 'relay' || d.function === 'solid-state') && d.pump !== undefined) ??
      panel!.devices.find((d) => d.function === 'relay' || d.function === 'solid-state')!;
    const supply = panel!.devices.find((d) => d.function === 'power-supply');
    return {
      bring: [
        likeIt(bench, float),
        phrase`1 ${relay.description} with its socket`,
        ...(supply ? [phrase`1 ${supply.description}`] : []),
      ],
      tests: [
        work('why', 'Why the float does not carry the motor', {
          phase: 'look',
          actions: [
            phrase`Its contact would break ${quantity('current', station.pumps[0]!.ratedCurrent)} and several times that at every start, in the water, over wet hands. The relay carries it; the float carries the coil.`,
            ...checks(bench, (c) => c.id.startsWith('contact-')),
          ],
          sees: [
            see(
              'rating',
              'relay contact',
              phrase`made for a motor of ${quantity('current', station.pumps[0]!.ratedCurrent)}`,
            ),
          ],
          minutes: 5,
          risk: 'look',
        }),
        ...take(bench, 'isolate'),
        work('socket', 'Relay and socket', {
          actions: [
            phrase`Coil on the low voltage, contact in the line of what fills; socket terminals by the drawing on the relay, not by its neighbours.`,
          ],
          sees: [
            see('coil', 'coil terminals', 'on the low voltage'),
            see('contact', 'contact terminals', 'in the line; nothing of the mains on the low side'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 20,
          risk: 'inside',
        }),
        ...takeAll(bench, 'bench-'),
        ...take(bench, 'tape', 'input-volts'),
        work('click', 'Click test', {
          actions: [
            'Work the float and listen at the relay.',
            'If the wrong conductor is broken the click is there all the same: see then at the load. On with the float either way: the contact is bridged or the load is fed past it. Dead either way: the contact sits in a wire that carries nothing.',
          ],
          sees: [
            see('clicks', 'relay', 'clicks at each end of the float’s swing'),
            see('load', 'what fills', 'goes on and off with the click'),
          ],
          minutes: 5,
          risk: 'rod',
        }),
        ...liftFloat(bench, float),
        ...cycles(bench),
        ...take(bench, 'cut-off', 'silence', 'battery'),
        ...closing(bench),
      ],
      leave: [phrase`the relay’s sense on the door card: filling stops as the float rises`],
      water: phrase`${quantity('volume', levels.drawdown)} drawn and filled again.`,
      season: null,
      owner: [
        phrase`A click and no water, or water and no click: call. Shut the water off by hand if it does not stop.`,
      ],
      next: phrase`every year`,
    };
  },
};

/** Whether anything stops the filling with every float lifted and the solid-state relay failed closed: asked of the panel with that fault in it. */
function stopsAllTheSame({ station, panel }: Bench): boolean {
  const relays = panel?.devices.filter((d) => d.function === 'solid-state').map((d) => d.tag) ?? [];
  const failed = panel
    ? faultsOf(station, panel).filter((f) => relays.includes(f.part) && f.id.endsWith('-stuck'))
    : [];
  const full = panel?.devices.flatMap((d): Act[] =>
    d.sensor === undefined ? [] : [{ kind: 'put', device: d.tag, to: 'up' }],
  );
  if (!panel || !full || failed.length === 0) return false;
  const scene = full.reduce(perform, atRest(worldOf(station, failed)));
  return !panel.outcomes.some((o) => o.kind === 'pump' && happens(scene.panel()!.settled, o));
}

/** Tank filling by a solid-state relay and a float on direct current. */
export const solidStateFill: Job = {
  id: 'J16',
  title: 'Tank filling by a solid-state relay and a DC float',
  when: 'A tank is filled through a solid-state relay.',
  begins: 'fill',
  against: (bench) => fills(bench) ?? (bench.has('solid-state') ? null : phrase`it has no solid-state relay`),
  make(bench) {
    const { levels } = bench;
    const float = bench.sensor('pump') ?? bench.sensor('stop') ?? bench.station.sensors[0]!;
    const second = bench.sensor('cutoff');
    const stops = stopsAllTheSame(bench);
    return {
      bring: [
        likeIt(bench, float),
        phrase`a breaker made for alternating current and one made for direct current, a heat sink, heat paste`,
      ],
      tests: [
        ...take(bench, 'isolate'),
        work('sides', 'Breakers on their sides', {
          actions: [
            'The breaker made for alternating current on the AC side, the one for direct current on the DC side: one for the other does not break its arc.',
          ],
          sees: [see('ac', 'AC side', 'breaker marked for AC'), see('dc', 'DC side', 'breaker marked for DC')],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 10,
          risk: 'inside',
        }),
        work('figures', 'What it needs, and what leaks', {
          phase: 'look',
          actions: checks(bench, (c) => /solid|leak|heat|control/i.test(`${c.id} ${c.title}`)),
          sees: [
            see('sink', 'heat sink', 'as large as the current asks, upright, paste under it'),
            see('range', 'control voltage', 'in the range printed on it'),
          ],
          minutes: 10,
          risk: 'look',
        }),
        ...takeAll(bench, 'bench-'),
        ...take(bench, 'tape', 'input-volts', 'dry-lift'),
        work('closed', 'It fails closed', {
          phase: 'look',
          actions: [
            'A solid-state relay that fails, fails closed: it goes on filling whatever the float says.',
            stops
              ? phrase`Asked with every float lifted and the relay held closed: something stops it all the same${second ? phrase`, the second float at ${quantity('height', levels.cutoff?.rise ?? levels.overflow)} floor up` : phrase``}. See that it does.`
              : phrase`Asked with every float lifted and the relay held closed: it goes on filling, to the overflow at ${quantity('height', levels.overflow)}${second ? phrase`; the second float works on the same relay, or tells only` : phrase``}. A second float on a contactor of its own would stop it.`,
          ],
          sees: [
            see(
              'then',
              'what then stops it',
              second
                ? 'the second float, past the relay'
                : 'the overflow leads somewhere harmless, or a second float is quoted',
            ),
          ],
          minutes: 5,
          risk: 'look',
        }),
        ...cycles(bench),
        ...take(bench, 'cut-off'),
        ...closing(bench),
      ],
      leave: [phrase`what stops it when the relay fails closed, on the door card`],
      water: phrase`${quantity('volume', levels.drawdown)} drawn and filled again.`,
      season: null,
      owner: [phrase`If it does not stop filling, shut the water by hand and switch off its breaker.`],
      next: phrase`every year`,
    };
  },
};
