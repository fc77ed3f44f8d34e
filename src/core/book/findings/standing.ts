import { traitsOf } from '../../duties';
import { phrase, quantity } from '../../units';
import { unanswered, type Evidence, type Finding, type Told } from '../finding';
import { METER_KINDS } from '../meters';

/** The last so many spans tell how it is now. */
const NOW = 2;
/** Fewer starts, or less run, say nothing of a meter that stands. */
const STARTS = 20;
const RUN = 3600;
/** An hour meter should have gone on by so many of its last digits at least before it is told as standing. */
const SHOWN = 5;
/** A pump that ran for more of the time than this has not stopped. */
const ALWAYS = 0.95;

/** What a start must run for at least by the model, s: the water between the trips at the pump’s flow, or what its timer gives it. Null: nothing tells. */
function runOfStart({ station, expected }: Evidence, i: number): number | null {
  const { timer } = traitsOf(station);
  const flow = expected.flows[i];
  return timer ? timer.on : flow ? expected.volume / flow : null;
}

/** One pump’s two meters beside one another: one that stands while the other goes on, and a pump that runs all the time. */
function ofPump(evidence: Evidence, i: number): Finding[] {
  const { spans } = evidence;
  const last = spans.slice(-NOW);
  const starts = last.reduce((sum, s) => sum + s.starts[i]!, 0);
  const run = last.reduce((sum, s) => sum + s.run[i]!, 0);
  const time = last.reduce((sum, s) => sum + (s.to - s.from) / 1000, 0);
  const name = `ump ${i + 1}`;
  const figures = [
    { label: 'starts', value: quantity('count', starts) },
    { label: 'run', value: quantity('time', run) },
    { label: 'in', value: quantity('time', time) },
  ];
  const common = { pump: i, figures, chance: 1e-9, since: last[0]!.from };
  if (run >= ALWAYS * time)
    return [
      {
        ...common,
        kind: 'never-stops',
        sentence: phrase`P${name} ran ${quantity('time', run)} of ${quantity('time', time)}, with ${quantity('count', starts)} starts: it hardly stops, or not at all. A contact that is welded, a stop that never comes, a pump that draws air or gives nothing, or as much that comes, or is drawn, as it moves; or the hour meter hangs where there is always voltage, and says nothing of the pump.`,
        next: phrase`At the pit today: where the water stands. Then the pump off by its breaker, and what held it in.`,
        test: 'pump-down',
      },
    ];
  // What its dial could not show yet is no meter that stands.
  const should = (runOfStart(evidence, i) ?? 0) * starts;
  if (starts >= STARTS && run < METER_KINDS.hours.step * 3600 && should > SHOWN * METER_KINDS.hours.step * 3600)
    return [
      {
        ...common,
        kind: 'meter-stands',
        sentence: phrase`The hour meter of p${name} stood while its counter counted ${quantity('count', starts)} starts: the meter is dead or off its terminals, or the pump is called and does not run. Nothing of its flow can be told until then.`,
        next: phrase`Call the pump and put a clamp on its core: with current, the meter is dead; without, the pump does not run.`,
        test: null,
      },
    ];
  if (starts === 0 && run >= RUN)
    return [
      {
        ...common,
        kind: 'meter-stands',
        sentence: phrase`The start counter of p${name} stood while its hour meter went on by ${quantity('time', run)}: the counter is dead or off its terminals, or the pump was started once and ran on, or the hour meter counts something else. Nothing of its flow can be told until then.`,
        next: phrase`Call the pump twice, and see whether the counter goes on by two.`,
        test: null,
      },
    ];
  return [];
}

/** Pumps that take turns and between them hardly rest: none of them runs all the time, and one nearly always does. */
function together({ station, spans }: Evidence): Finding[] {
  const last = spans.slice(-NOW);
  const time = last.reduce((sum, s) => sum + (s.to - s.from) / 1000, 0);
  const run = station.pumps.map((_, i) => last.reduce((sum, s) => sum + s.run[i]!, 0));
  const all = run.reduce((a, b) => a + b, 0);
  if (station.pumps.length < 2 || all < ALWAYS * time || run.some((r) => r >= ALWAYS * time)) return [];
  return [
    {
      kind: 'never-stops',
      pump: null,
      figures: [
        ...run.map((r, i) => ({ label: `run, pump ${i + 1}`, value: quantity('time', r) })),
        { label: 'in', value: quantity('time', time) },
      ],
      chance: 1e-9,
      since: last[0]!.from,
      sentence: phrase`Between them the pumps ran ${quantity('time', all)} in ${quantity('time', time)}: one or another runs nearly always, or several run at once. More comes, or is drawn, than they move; water goes round through a pump that rests; a stop never comes.`,
      next: phrase`At the pit today: where the water stands, and whether a pump that rests turns backwards while another runs.`,
      test: 'pump-down',
    },
  ];
}

/** Meters that stand, and pumps that do not stop. */
export function standingFindings(evidence: Evidence): Told {
  const { station, spans } = evidence;
  if (spans.length < NOW)
    return unanswered(
      ['never-stops', 'meter-stands'],
      phrase`wants ${String(NOW + 1)} visits with hour meter and start counter read`,
    );
  return {
    findings: [...station.pumps.flatMap((_, i) => ofPump(evidence, i)), ...together(evidence)],
    notAsked: [],
    asked: ['never-stops', 'meter-stands'],
  };
}
