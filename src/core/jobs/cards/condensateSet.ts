import { phrase, quantity } from '../../units';
import type { Job } from '../job';
import { choice, closing, lineVolume, cycles, decide, ruleLine, see, take, takeAll, work } from '../parts';

/** A condensate pump set installed. */
export const condensateSet: Job = {
  id: 'J3',
  title: 'Condensate pump set',
  when: 'Appliances drip, and the drain is above them.',
  begins: 'condensate',
  against: ({ station }) =>
    station.duty.kind === 'condensate' ? null : phrase`nothing that makes condensate drains into it`,
  make(bench) {
    const { station, levels } = bench;
    const { source } = station.inflow;
    const all = source.kind === 'appliances' ? source.list : [];
    const sum = all.reduce((s, a) => s + a.rate, 0);
    const { atLead, hydraulics } = levels;
    const back = hydraulics.drainback(1, levels.stop).volume;
    const cut = station.interlocks.find((l) => l.kind === 'cutoff');
    return {
      bring: [
        phrase`line of ${quantity('bore', station.discharge.segments[0]!.bore)}, ${quantity('distance', hydraulics.main.length)} of it, straps, a cutter that cuts square`,
        phrase`plugs for unused inlets, a level, two-core cable for the cut-off`,
        phrase`the label for the cut-off`,
      ],
      tests: [
        work('sum', 'What drains in, and what the set lifts', {
          phase: 'look',
          actions: [
            all.length > 0
              ? phrase`${all.map((a) => a.name).join(', ')}: together ${quantity('drip', sum)}.`
              : phrase`Design inflow ${quantity('drip', levels.inflow.design)}.`,
            atLead.ok
              ? phrase`The set gives ${quantity('drip', atLead.flow)} at its real lift of ${quantity('head', atLead.head)}.`
              : phrase`What the set gives at this lift cannot be told: see Survey.`,
            ...ruleLine(bench, 'condensate'),
          ],
          sees: [
            see('list', 'appliances', 'all that drain in are on the list, none beside'),
            see('supply', 'supply of the set', 'constant, of its own: never one that cycles with a fan'),
          ],
          minutes: 10,
          risk: 'look',
        }),
        ...take(bench, 'isolate'),
        work('inlets', 'Drains in', {
          actions: [
            phrase`Cut each drain end at a slant so that it cannot seal on the floor of the reservoir; it ends above ${quantity('height', levels.vessel.depth - levels.stop)} rim down, clear of the float.`,
            phrase`Unused inlets plugged.`,
          ],
          sees: [
            see('ends', 'drain ends', 'slanted, clear of float and floor'),
            see('plugs', 'unused inlets', 'plugged'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 20,
        }),
        work('line', 'The line', {
          actions: [
            phrase`No wider than made for: what stands in it runs back, ${quantity('volume', back)} each stop, against ${quantity('volume', levels.drawdown)} that one run moves. The whole line holds ${lineVolume(bench)}.`,
            phrase`Straight up, then a fall all the way to its end after the high point, or an inverted trap there.`,
            station.discharge.outlet <= levels.lead
              ? phrase`The outlet is level with or below the set: a siphon would empty it. A vent at the high point breaks it.`
              : phrase`The outlet stands ${quantity('head', station.discharge.outlet)} above the floor of the set: no siphon.`,
          ],
          sees: [
            see('bore', 'bore', phrase`${quantity('bore', station.discharge.segments[0]!.bore)}, not more`),
            see('fall', 'after the high point', 'falls all the way; no belly that holds water'),
            see('cold', 'where it runs cold', 'none of it can freeze, or what can is lagged and drains'),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 30,
          about: ['pipe'],
        }),
        work('cut', 'The high-level switch', {
          actions: [
            cut?.kind === 'cutoff'
              ? phrase`As designed it breaks ${cut.acts === 'live' ? 'the live of' : 'the low-voltage call of'} ${cut.name} (${quantity('voltage', cut.volts)})${cut.warns ? ', and gives the alarm' : ''}.`
              : phrase`As designed it stops nothing.`,
          ],
          sees: [
            see('contact', 'contact', 'common and the one that opens on rise, by the meter and not by the colour'),
            see('label', 'label at the appliance', '“A high-water cut-off is in this circuit”: it is there'),
          ],
          decisions: [
            decide(
              'acts',
              'What does it do?',
              cut?.kind === 'cutoff' ? (cut.acts === 'live' ? 'live' : 'call') : 'alarm',
              choice(
                'call',
                'break the call',
                'Low voltage, thin wire; the appliance stops as by its thermostat. First choice where its maker allows it.',
              ),
              choice(
                'live',
                'break the live',
                'Stops anything, also what has no call; the contact must carry it, and somebody will think the supply is dead.',
              ),
              choice('alarm', 'close an alarm', 'Nothing stops: somebody must hear it before it runs over.'),
              choice('both', 'stop and alarm', 'What makes the water stops, and somebody knows why.'),
            ),
          ],
          needs: bench.tests.get('tape')?.needs ?? [],
          minutes: 15,
          risk: 'inside',
        }),
        ...takeAll(bench, 'bench-'),
        ...take(bench, 'tape', 'input-volts', 'dry-lift'),
        ...cycles(bench),
        ...take(bench, 'cut-off'),
        ...closing(bench),
      ],
      leave: [phrase`the label in the appliance’s circuit, where the next person opens it`],
      water: phrase`${quantity('volume', 3 * levels.drawdown)} in a jug; it goes up the line to the drain.`,
      season: phrase`Where the line runs cold: before the frost, not after.`,
      owner: [
        phrase`If the appliance stops by itself, look at the little tank first: a full tank stops it on purpose.`,
      ],
      next: phrase`before each season in which the appliance runs`,
    };
  },
};
