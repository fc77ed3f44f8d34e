import { bridgeFloat, liftFloat } from '../acts';
import { atRest, perform, type Act, type Scene, type Test } from '../../tests';
import { drawTime } from '../../levels';
import { phrase, quantity, type Phrase } from '../../units';
import { fieldInputs, happens } from '../../wiring';
import type { Bench, Job } from '../job';
import { choice, closing, cycles, decide, fillTime, figure, likeIt, see, take, work } from '../parts';

/** Whether the alarm's float alone starts a pump: asked of the panel, those under it hanging. */
export function alarmStartsPump({ world, panel, sensor }: Bench): boolean {
  const alarm = sensor('alarm');
  const tag = panel?.devices.find((d) => d.sensor === alarm?.id)?.tag;
  if (!panel || !tag) return false;
  const rest = atRest(world);
  const runs = (scene: Scene) => panel.outcomes.some((o) => o.kind === 'pump' && happens(scene.panel()!.settled, o));
  return !runs(rest) && runs(perform(rest, { kind: 'put', device: tag, to: 'up' }));
}

/** Time of one pump from a level to the stop, s; null where it cannot be told. */
const runFrom = ({ levels }: Bench, level: number): number | null =>
  [level, levels.stop].every((l) => levels.hydraulics.at(l, 1).ok)
    ? drawTime(levels, level, levels.stop, 0, 1, 0.1)
    : null;

/** A pump that runs only when the alarm sounds. */
export const alarmRuns: Job = {
  id: 'J9',
  title: 'Runs only when the alarm sounds',
  when: 'The alarm rings at every cycle, and then the pump runs.',
  begins: 'empty',
  against: (bench) => {
    if (!bench.levels.alarm) return phrase`it has no alarm float`;
    return alarmStartsPump(bench)
      ? null
      : phrase`its alarm float starts no pump: asked of its panel, with the floats under it hanging`;
  },
  make(bench) {
    const { levels, station } = bench;
    const alarm = levels.alarm!;
    const normal = runFrom(bench, levels.lead);
    const long = runFrom(bench, alarm.rise);
    const lead = bench.sensor('pump') ?? bench.sensor('lead') ?? bench.sensor('stop')!;
    const bell = bench.sensor('alarm')!;
    const range = levels.vessel.volume(alarm.rise) - levels.vessel.volume(levels.stop);
    const over = fillTime(bench, alarm.rise, levels.overflow, levels.inflow.design);
    const storm = fillTime(bench, alarm.rise, levels.overflow, levels.inflow.peak);
    const time = (s: number | null): Phrase =>
      s === null ? phrase`a time that cannot be told` : phrase`${quantity('time', s)}`;
    return {
      bring: [
        likeIt(bench, lead),
        likeIt(bench, bell),
        phrase`the invoice with serial and date of fitting, for the warranty`,
      ],
      tests: [
        work('amps', 'Amps normal, run too long', {
          phase: 'look',
          actions: [
            phrase`A normal cycle moves ${quantity('volume', levels.drawdown)} in ${time(normal)}. From the alarm it moves ${quantity('volume', range)} in ${time(long)}.`,
            'Amps as ever and a run of the second kind: the on/off switch is dead, and the alarm switch works alone.',
          ],
          sees: [
            ...(long === null
              ? []
              : [figure('run', 'run, by the watch, if it lives on its alarm switch', quantity('time', long), 0.2)]),
            see('lamp', 'alarm', 'comes before every run'),
          ],
          minutes: 15,
          risk: 'look',
        }),
        ...take(bench, 'running'),
        work('vent', 'Vent and breather', {
          phase: 'look',
          actions: ['Vent or breather free of snow, ice, nests: a pressure switch that cannot breathe sees no water.'],
          sees: [see('free', 'vent or breather', 'free')],
          minutes: 5,
        }),
        ...take(bench, 'isolate', `bench-${lead.id}`, `bench-${bell.id}`),
        work('both', 'Which to change', {
          actions: ['The two switches are of one age: when one went, the other follows.'],
          decisions: [
            decide(
              'change',
              'Change one, or both?',
              'both',
              choice('one', 'the dead one', 'Cheaper today.'),
              choice('both', 'both', 'One opening of the pit; the second line of defence is as new as the first.'),
            ),
          ],
          sees: [
            see('pair', 'remote alarm', 'on the pair that closes with the alarm, and not on the one that opens'),
            see('serial', 'serial and date', 'noted for the warranty'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 40,
          risk: 'inside',
        }),
        ...take(bench, 'tape'),
        ...liftFloat(bench, lead),
        ...liftFloat(bench, bell),
        ...(station.alarm.remoteContact ? [] : bridgeFloat(bench, bell)),
        ...cycles(bench),
        ...take(bench, 'fill-alarm', 'remote', 'recover'),
        ...closing(bench),
      ],
      leave: [
        phrase`until mended there is no second line of defence: from the alarm it runs over in ${time(Number.isFinite(over) ? over : null)} at design inflow, in a storm in ${time(Number.isFinite(storm) ? storm : null)}`,
      ],
      water: phrase`${quantity('volume', range)} to the alarm, twice.`,
      season: phrase`Ice on vents: the fault of a cold week may be gone on a warm day.`,
      owner: [
        phrase`The pump works, by its last reserve. If the alarm rings and the pump does not run, nothing else will start it.`,
      ],
      next: phrase`as soon as the switch is there, not later; then every year`,
    };
  },
};

/** Volts at the alarm's switch with the breaker of the pump off: asked of the panel, and read. Nothing where it has no such breaker or switch. */
function feedOfAlarm({ panel, sensor }: Bench): Test[] {
  const breakers = panel?.devices.filter((d) => d.function === 'breaker' && d.pump !== undefined) ?? [];
  const tag = panel?.devices.find((d) => d.sensor === sensor('alarm')?.id)?.tag;
  const input = panel && fieldInputs(panel).find((i) => i.device === tag);
  if (!input || breakers.length === 0) return [];
  const put = (to: (d: (typeof breakers)[number]) => string): Act[] =>
    breakers.map((d) => ({ kind: 'put', device: d.tag, to: to(d) }));
  return [
    work('feed', 'Feed of the alarm switch, the pump off', {
      actions: [
        phrase`${breakers.map((d) => d.tag).join(', ')} off: the alarm must have its feed all the same. Read each side of its switch to earth; what reads is live with the pump off, and its label says so.`,
      ],
      acts: put(() => 'off'),
      sees: [input.a, input.b].map((a) => ({
        id: `feed-${a}`,
        label: `${a} to earth`,
        kind: 'volts' as const,
        probes: { a, b: 'earth', mode: input.mode },
        band: { share: 0.1 },
      })),
      restores: put((d) => d.initial),
      minutes: 3,
      risk: 'probes',
    }),
  ];
}

/** A pressure-bell station. */
export const bellStation: Job = {
  id: 'J14',
  title: 'Pressure-bell station',
  when: 'A station with air bells is started, or looked after.',
  begins: 'empty',
  against: ({ station }) =>
    station.sensors.some((s) => s.kind === 'bell') ? null : phrase`none of its sensors is a pressure bell`,
  make(bench) {
    const { station, levels, panel } = bench;
    const cores = panel?.cores.filter((c) => c.terminal !== null) ?? [];
    const band = { share: 0.1 };
    const supply = panel?.devices.find((d) => d.function === 'supply');
    const at = cores.flatMap((c) =>
      supply && c.pin.startsWith(`${supply.tag}:`) && !c.pin.endsWith(':PE')
        ? [{ pin: c.pin.split(':')[1]!, at: c.terminal! }]
        : [],
    );
    const pairs = at.flatMap((a, i) => at.slice(i + 1).map((b) => ({ a, b })));
    const alarm = bench.sensor('alarm');
    const manual = panel?.devices.find((d) => d.function === 'button' && /manual|by hand|run/i.test(d.label));
    return {
      bring: [
        phrase`tube and fittings for the bells, a hand pump for air, soap water`,
        phrase`the tape list: ${String(station.sensors.filter((s) => s.kind === 'bell').length)} mouths`,
      ],
      tests: [
        ...take(bench, 'isolate', 'tape'),
        work('bells', 'Mouths, vent, equaliser', {
          phase: 'look',
          actions: levels.sensors.map(
            ({ sensor, rise, fall }) =>
              phrase`${sensor.role}: acts at ${quantity('height', rise)} floor up, lets go at ${quantity('height', fall)}.`,
          ),
          sees: [
            see('mouths', 'mouths', 'clear of grease, at their heights'),
            see('vent', 'vent and equaliser', 'free'),
            see('tubes', 'tubes', 'rise all the way, no water in them, no bubbles with soap'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 20,
        }),
        ...take(bench, ...station.sensors.map((s) => `bench-${s.id}`)),
        work('conductors', 'Conductors by what they carry', {
          phase: 'look',
          actions: cores.map((c) => phrase`${c.terminal!}: ${c.colour}, ${c.pin}`),
          sees: [see('named', 'each conductor', 'where the list says; tugged')],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 10,
          risk: 'inside',
        }),
        work('volts', 'Volts at the panel', {
          actions: [phrase`Every two of the supply: within what the maker of the pump allows.`],
          cautions: ['Live: rated meter and leads, finger guards.'],
          sees: pairs.map(({ a, b }) => ({
            id: `${a.pin}-${b.pin}`,
            label: `${a.pin} to ${b.pin}`,
            kind: 'volts' as const,
            probes: { a: a.at, b: b.at, mode: 'ac-volts' as const },
            band,
          })),
          minutes: 5,
          risk: 'probes',
        }),
        ...liftFloat(
          bench,
          station.sensors.find((s) => s.kind === 'bell')!,
          'way-1',
        ),
        ...(alarm ? liftFloat(bench, alarm, 'way-2') : []),
        ...(manual
          ? [
              {
                ...work('way-3', 'Run from the panel', {
                  actions: [phrase`Hold ${manual.tag} (${manual.label}).`],
                  cautions: ['It runs as long as it is held, water or not: seconds only.'],
                  acts: [{ kind: 'put', device: manual.tag, to: 'pressed' }],
                  sees: [{ id: 'held', label: 'held', kind: 'reacts', pumps: true }],
                  restores: [{ kind: 'put', device: manual.tag, to: manual.initial }],
                  minutes: 2,
                  risk: 'rod',
                }),
              },
            ]
          : []),
        ...cycles(bench),
        ...take(bench, 'fill-alarm', 'silence', 'battery', 'remote', 'recover'),
        ...feedOfAlarm(bench),
        ...closing(bench),
      ],
      leave: [phrase`air in every bell: the water was below the mouths before the last test`],
      water: phrase`${quantity('volume', levels.vessel.volume(levels.alarm?.rise ?? levels.lead))} to the highest bell.`,
      season: phrase`Ice on vent or equaliser.`,
      owner: [phrase`The lamp and horn mean high water; press silence, call, use less water.`],
      next: phrase`every year`,
    };
  },
};
