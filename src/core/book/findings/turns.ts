import { median } from '../../numeric';
import { phrase, quantity } from '../../units';
import { beyond } from '../chance';
import { NO_QUESTION, unanswered, type Evidence, type Finding, type Told } from '../finding';
import { spreadOf } from '../../numeric';

/** Starts that turns are told from at least, in the spans looked at. */
const STARTS = 20;
/** The last so many spans tell how it is now. */
const NOW = 3;
/** A share of starts that lies further from even than this is none of turns that are missed now and then. */
const UNEVEN = 0.12;
/** Runs of two pumps that differ by less than this from what the model says are alike. */
const LONGER = 0.1;
const LONG = 4;

/** Pumps that take turns start alike often: one that does not is skipped, or the alternator stands. */
function unequal({ station, spans }: Evidence): Finding[] {
  const count = station.pumps.length;
  const last = spans.slice(-NOW);
  const starts = station.pumps.map((_, i) => last.reduce((sum, s) => sum + s.starts[i]!, 0));
  const all = starts.reduce((a, b) => a + b, 0);
  if (!station.control.alternates || count < 2 || all < STARTS) return [];
  const even = 1 / count;
  const shares = starts.map((n) => n / all);
  const worst = shares.reduce((a, s, i) => (Math.abs(s - even) > Math.abs(shares[a]! - even) ? i : a), 0);
  if (Math.abs(shares[worst]! - even) < UNEVEN) return [];
  // With an alternator that turns, one cycle in each span may be begun by either: the count hardly strays from even.
  const z = (Math.abs(shares[worst]! - even) * all) / Math.sqrt(Math.max(all * even * (1 - even), NOW));
  const uneven = (s: Evidence['spans'][number]) => {
    const sum = s.starts.reduce((a, b) => a + b, 0);
    return sum > 0 && Math.abs(s.starts[worst]! / sum - even) >= UNEVEN;
  };
  let first = spans.length;
  while (first > 0 && uneven(spans[first - 1]!)) first--;
  const idle = starts.flatMap((n, i) => (n === 0 ? [`pump ${i + 1}`] : []));
  return [
    {
      kind: 'turns',
      pump: idle.length === 1 ? starts.indexOf(0) : null,
      sentence:
        idle.length > 0
          ? phrase`${idle.join(' and ')} did not start at all while the ${count === 2 ? 'other' : 'others'} started ${String(all)} times: it is skipped, held off or dead, or the alternator stands, or its counter does.`
          : phrase`Pumps do not take turns: of ${String(all)} starts ${shares.map((s, i) => `pump ${i + 1} made ${Math.round(100 * s)} %`).join(', ')}.`,
      figures: starts.map((n, i) => ({ label: `starts, pump ${i + 1}`, value: quantity('count', n) })),
      chance: beyond(z),
      since: first === 0 ? null : (spans[first]?.from ?? null),
      next: phrase`Selectors of both pumps at automatic, then call twice and see which pump comes; a pump that does not come by hand either has its own fault.`,
      test: 'alternator',
    },
  ];
}

/** One pump that is longer on each start than the model’s difference explains. */
function longer({ station, spans, expected }: Evidence): Finding[] {
  const row = spans.filter((s) => s.flows?.run.every((r) => r !== null)).slice(-8);
  if (station.pumps.length !== 2 || row.length < LONG) return [];
  const ratio = row.map((s) => Math.log(s.flows!.run[0]!.value / s.flows!.run[1]!.value));
  const [q1, q2] = expected.flows;
  const q = median(row.map((s) => s.flows!.inflow.value));
  const model = q1 && q2 && q1 > q && q2 > q ? Math.log((q2 - q) / (q1 - q)) : 0;
  const off = median(ratio) - model;
  const by = Math.max(spreadOf(ratio), 0.01) / Math.sqrt(row.length);
  if (Math.abs(off) < Math.log(1 + LONGER) || Math.abs(off) < 4 * by) return [];
  const slow = off > 0 ? 0 : 1;
  const run = (i: number) => quantity('time', median(row.map((s) => s.flows!.run[i]!.value)));
  return [
    {
      kind: 'runs-longer',
      pump: slow,
      sentence: phrase`Pump ${String(slow + 1)} runs ${quantity('share', Math.exp(Math.abs(off)) - 1)} longer for the same water: ${run(slow)} a start, the other ${run(1 - slow)}.`,
      figures: [0, 1].map((i) => ({ label: `run a start, pump ${i + 1}`, value: run(i) })),
      chance: beyond(off / by),
      since: null,
      next: phrase`A drawdown with each pump alone; then its intake, impeller, check valve and rotation.`,
      test: 'drawdown',
    },
  ];
}

export function turnFindings(evidence: Evidence): Told {
  const { station, spans } = evidence;
  if (station.pumps.length < 2) return NO_QUESTION;
  const starts = spans.slice(-NOW).reduce((sum, s) => sum + s.starts.reduce((a, b) => a + b, 0), 0);
  if (spans.length < NOW || starts < STARTS)
    return unanswered(
      ['turns', 'runs-longer'],
      phrase`wants ${String(NOW + 1)} visits with every counter read and ${String(STARTS)} starts in the last of them; there are ${String(spans.length === 0 ? 0 : spans.length + 1)} visits`,
    );
  const asked = [
    ...(station.control.alternates ? (['turns'] as const) : []),
    ...(station.pumps.length === 2 && spans.length >= LONG ? (['runs-longer'] as const) : []),
  ];
  return { findings: [...unequal(evidence), ...longer(evidence)], notAsked: [], asked };
}
