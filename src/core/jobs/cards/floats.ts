import { traitsOf } from '../../duties';
import { isPlugged } from '../../schemes';
import { kindOf } from '../../sensors';
import { phrase, quantity } from '../../units';
import { bypassPump, liftFloat } from '../acts';
import type { Bench, Job } from '../job';
import {
  choice,
  closing,
  column,
  cycles,
  decide,
  fillTime,
  keep,
  likeIt,
  reacts,
  saySlip,
  see,
  take,
  takeAll,
  work,
} from '../parts';

const calling = (bench: Bench) => bench.sensor('pump') ?? bench.sensor('lead') ?? bench.sensor('stop')!;

/** A packaged unit that stops on a float error. */
export const floatError: Job = {
  id: 'J8',
  title: 'A packaged unit stops on a float error',
  when: 'A ready-made unit shows a float error and does nothing.',
  begins: 'condensate',
  against: ({ station }) =>
    station.duty.kind === 'condensate' || isPlugged(station)
      ? null
      : phrase`it is wired to a panel, and no ready-made unit`,
  make(bench) {
    const { levels } = bench;
    const float = calling(bench);
    return {
      bring: [phrase`meter with continuity, a strap to hold the unit, rags`, likeIt(bench, float)],
      tests: [
        work('upright', 'Is it the right way up?', {
          phase: 'look',
          actions: ['Look before anything is opened: on its feet, level, shipping tape and foam out.'],
          sees: [
            see('up', 'unit', 'the right way up, level'),
            see('ship', 'float', 'free: no tape, foam or tie on it'),
          ],
          minutes: 3,
          risk: 'look',
        }),
        work('tap', 'Tap, and wait', {
          actions: [
            'Tap the housing where the float is: a float that was shipped or stuck falls free. Then take its power away and wait until its board has discharged, five minutes, and give it back.',
          ],
          sees: [see('cleared', 'display', 'the error is gone, or it stays: go on')],
          minutes: 8,
        }),
        ...take(bench, 'isolate', `bench-${float.id}`),
        work('open', 'If the float is as if lifted', {
          phase: 'look',
          actions: ['Then the reservoir is full: why? Pump, strainer, line, in this order.'],
          sees: [
            see('pump', 'pump', 'turns by hand, no hum'),
            see('strainer', 'strainer', 'clear'),
            see('line', 'line', 'clear to its end, not frozen'),
          ],
          minutes: 15,
          risk: 'pit',
          cautions: ['Hands in it only while it is isolated and proved dead: it starts by itself.'],
          needs: bench.tests.get('tape')?.needs ?? [],
        }),
        work('called', 'Volts at the pump while it is called', {
          actions: [
            'Float lifted: volts at the plug of the pump. None: the board does not give it. Right: it is the pump.',
          ],
          cautions: ['Live: rated meter and leads, dry hands.'],
          acts: bench.tests.get('dry-lift')?.parts[0]?.acts ?? [],
          sees: [...motorVolts(bench), reacts('runs', 'what happens')],
          restores: bench.tests.get('dry-lift')?.restores ?? [],
          minutes: 5,
          risk: 'probes',
        }),
        ...cycles(bench),
        ...take(bench, 'cut-off'),
        ...closing(bench),
      ],
      leave: [phrase`the unit strapped upright, where it had fallen`],
      water: phrase`${quantity('volume', levels.drawdown)} for a cycle.`,
      season: null,
      owner: [phrase`The error means: the float thinks the tank is full. Look whether it is.`],
      next: phrase`in a month`,
    };
  },
};

/** Volts over the motor as it is called: two pins of its cord. */
function motorVolts({ panel }: Bench) {
  const motor = panel?.devices.find((d) => d.function === 'motor');
  const at = (panel?.cores ?? []).flatMap((c) =>
    motor && c.pin.startsWith(`${motor.tag}:`) && !c.pin.endsWith(':PE') && c.terminal ? [c.terminal] : [],
  );
  const [a, b] = at;
  return a && b
    ? [
        {
          id: 'volts',
          label: 'at the pump’s plug',
          kind: 'volts' as const,
          probes: { a, b, mode: 'ac-volts' as const },
          band: { share: 0.1 },
        },
      ]
    : [];
}

/** Overhaul of a pump's own switch. */
export const switchOverhaul: Job = {
  id: 'J12',
  title: 'Pump switch overhaul',
  when: 'The housing of the switch is warm, or the pump sticks on or off.',
  begins: 'empty',
  against: ({ station, levels }) => {
    if (!(levels.lead > levels.stop)) return phrase`its pump fills`;
    return station.sensors.some((s) => s.duty === 'motor') ? null : phrase`no switch of it carries the motor`;
  },
  make(bench) {
    const { levels, station } = bench;
    const { vessel, inflow, stop, lead, alarm, overflow } = levels;
    const float = calling(bench);
    const until = alarm?.rise ?? lead;
    const every = fillTime(bench, stop, until, inflow.design);
    const missed = fillTime(bench, until, overflow, inflow.design);
    return {
      bring: [
        phrase`1 switch; 1 set of switch, arm and seals; gasket, sealant, soap water, low-pressure air`,
        phrase`a camera for the wires, before one is taken off`,
      ],
      tests: [
        work('warm', 'Warm?', {
          phase: 'look',
          actions: [
            'Hand on the housing with the pump off for an hour: warm means that water or a burnt contact leads inside.',
          ],
          sees: [see('cold', 'housing', 'as cold as the water')],
          minutes: 3,
          risk: 'look',
        }),
        ...take(bench, 'isolate'),
        work('ohms', 'Line to neutral with the switch open', {
          actions: [
            'Unplugged, float hanging: ohms between line and neutral of the plug. It should be open; some hundreds or thousands of ohms are water in it.',
            'Pump out, float off its rod, housing opened: photograph the wires first.',
          ],
          cautions: [
            'Ohms only with the power off and proved dead.',
            'A leak reads as a resistance: do not take it for a winding.',
          ],
          sees: [...openPlug(bench)],
          needs: bench.tests.get(`bench-${float.id}`)?.needs ?? [],
          decisions: [
            decide(
              'parts',
              'Switch alone, or switch with arm and seals?',
              'all',
              choice('switch', 'the switch alone', 'Cheaper today. Arm and seals are as old: the next to go.'),
              choice(
                'all',
                'switch, arm and seals together',
                'The housing is opened once. Everything in it is of one age.',
              ),
            ),
          ],
          minutes: 15,
          risk: 'inside',
        }),
        work('refit', 'Clean, refit, prove tight', {
          actions: [
            'Sealing surfaces clean; gasket new; sealant kept off the moving arm; wires clear of it.',
            'Low-pressure air and soap round the seals: no bubbles. Then ohms again: open.',
          ],
          sees: [
            see('bubbles', 'soap', 'no bubbles'),
            see('open', 'line to neutral', 'open again'),
            see('clear', 'wires', 'clear of the arm through its whole travel'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 40,
          risk: 'inside',
        }),
        ...cycles(bench),
        work('until', 'Until the part comes', {
          phase: 'leave',
          actions: [
            Number.isFinite(every)
              ? phrase`Somebody, or a timer, runs it every ${quantity('time', every)} at design inflow: ${quantity('volume', vessel.volume(until) - vessel.volume(stop))} from stop to ${alarm ? 'alarm' : 'start'}, pumped in ${sayRun(bench, until)}.`
              : phrase`No inflow is surveyed: look every hour until it is known.`,
            Number.isFinite(missed)
              ? phrase`A missed turn costs: after ${quantity('time', missed)} more it runs over.`
              : phrase`What a missed turn costs cannot be told.`,
          ],
          sees: [see('who', 'who runs it', 'named, with the times; or a timer set')],
          decisions: [
            decide(
              'by',
              'Who runs it until then?',
              'timer',
              choice('person', 'a person', 'Sees what happens; sleeps at night.'),
              choice('timer', 'a timer', 'Runs by the clock, dry or not: short runs, and the low level watched.'),
            ),
          ],
          minutes: 5,
          risk: 'look',
        }),
        ...closing(bench),
      ],
      leave: [
        phrase`photographs of the wires with the run`,
        ...(station.alarm.horn ? [phrase`the alarm on, as the only watch until the part comes`] : []),
      ],
      water: phrase`${quantity('volume', 2 * levels.drawdown)} for two cycles.`,
      season: null,
      owner: [phrase`Until the part is in, the pump is run by hand or clock. Use little water.`],
      next: phrase`when the part comes; then in three months`,
    };
  },
};

const sayRun = ({ levels }: Bench, from: number) => {
  const point = levels.hydraulics.at(from, 1);
  const volume = levels.vessel.volume(from) - levels.vessel.volume(levels.stop);
  return point.ok ? phrase`about ${quantity('time', volume / point.flow)}` : phrase`a time that cannot be told`;
};

/** Line to neutral at the plug with the switch open: of the float alone. */
function openPlug(bench: Bench) {
  const first = bench.tests.get(`bench-${calling(bench).id}`)?.parts[0]?.observes[0];
  return first ? [{ ...first, id: 'open', label: 'over the open switch' }] : [];
}

/** A float changed in a sealed sewage pit. */
export const floatChange: Job = {
  id: 'J13',
  title: 'Float change in a sealed sewage pit',
  when: 'A float in a closed pit is dead, and must be changed.',
  begins: 'empty',
  against: ({ station, levels }) => {
    const { kept, direction } = traitsOf(station);
    if (direction === 'fill' || kept || station.duty.kind === 'condensate')
      return phrase`no sewage or ground water comes to it`;
    if (levels.vessel.depth < 0.5) return phrase`nobody reaches down into it`;
    return station.sensors.some((s) => kindOf(s).lead === 'cord') ? null : phrase`none of its sensors hangs on a cord`;
  },
  make(bench) {
    const { levels, station } = bench;
    const float = calling(bench);
    const plugged = isPlugged(station);
    return {
      bring: [
        likeIt(bench, float),
        phrase`gasket for the lid, cord seals, vent joint, paint to mark lid and joints`,
        phrase`gloves, cover for the eyes, a gas meter, a second person`,
      ],
      tests: [
        work('first', 'Prove that it is the float', {
          phase: 'look',
          actions: [
            plugged
              ? 'Before the lid is touched: the pump straight into the outlet, for seconds. It runs: the float is to blame.'
              : 'Before the lid is touched: the pump in Hand, for seconds. It runs: float, cord or input are to blame.',
          ],
          sees: [see('smell', 'at the lid', 'no water over it, no strong smell')],
          minutes: 3,
          risk: 'look',
        }),
        ...bypassPump(bench),
        work('down', 'Flush and pump down', {
          actions: [
            phrase`Flush with clean water and pump down by the bypass: the pit to ${quantity('height', levels.vessel.depth - levels.stop)} rim down.`,
            'A pump that was just pumped dry is hot: wait before a hand comes near it.',
          ],
          cautions: ['The bypass stops at nothing: stay at it.'],
          sees: [see('low', 'water', 'at the stop level, no more coming'), see('cool', 'pump', 'left to cool')],
          minutes: 15,
          risk: 'bridged',
        }),
        ...take(bench, 'isolate'),
        work('lid', 'Open the lid', {
          actions: [
            'Vent joint first. Mark lid and joints with paint. Loose things away from the hole.',
            column(bench).value > 0
              ? phrase`Never open the check valve or anything above it: the column stands full, about ${column(bench)} of it.`
              : phrase`By the survey no check valve holds the line. Open nothing of it all the same: what stands in it falls on you.`,
          ],
          cautions: [
            'Test for gas before the lid is off, and again before you lean in. Never enter. A second person stays at the hole.',
            'Cut nothing of the pump’s cord.',
          ],
          sees: [
            keep(
              'gas',
              'gas meter, % of the lower explosive limit',
              'count',
              'read and keep it; more than a tenth: stand back and ventilate',
            ),
            see('marked', 'lid and joints', 'marked'),
            see('loose', 'round the hole', 'nothing that can fall in'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 15,
          people: 2,
          risk: 'pit',
        }),
        ...takeAll(bench, `bench-${float.id}`),
        work('change', 'Change the float', {
          actions: [
            phrase`Same tether, same point of clamp as on the tape list. ${saySlip(bench, float)}`,
            'Room on all sides, by the swing check: no pipe, cord or wall in its arc.',
            phrase`The new cord out through its own seal; ${quantity('distance', float.cordLength)} as surveyed.`,
          ],
          sees: [see('room', 'room', 'swings free on all sides'), see('cordseal', 'cord seals', 'new, tight')],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 20,
          people: 2,
          risk: 'pit',
          about: [`float:${float.id}`],
        }),
        ...take(bench, 'tape'),
        work('quiet', 'Power with the float hanging', {
          actions: ['Plug in, or switch on, with the float hanging: quiet.'],
          acts: [],
          sees: [reacts('quiet', 'with the float hanging')],
          minutes: 2,
          risk: 'look',
        }),
        ...liftFloat(bench, float),
        ...cycles(bench),
        work('shut', 'Shut it', {
          phase: 'leave',
          actions: [
            'Several cycles before the lid. Then gasket, clean flange, cord seals, vent back. A check valve that bangs is noted, not opened.',
          ],
          sees: [
            see('gasket', 'lid', 'gasket on a clean flange, marks in line'),
            see('ventback', 'vent', 'back, open'),
            see('bang', 'check valve', 'quiet as the pump stops; a bang is noted'),
          ],
          minutes: 20,
          people: 2,
        }),
        ...closing(bench),
      ],
      leave: [phrase`everything that touched sewage washed and bagged; hands and face washed`],
      water: phrase`${quantity('volume', 3 * levels.drawdown)} of clean water for flushing and cycles.`,
      season: phrase`Ice over a vent keeps the gas in: free it first.`,
      owner: [phrase`No water for ${quantity('time', 3600)} or so; the alarm may ring while we work.`],
      next: phrase`in a month; the other floats are as old: change them together next time`,
    };
  },
};
