import { median } from '../../numeric';
import { phrase, quantity } from '../../units';
import { unanswered, type Evidence, type Finding, type Told } from '../finding';

const NOW = 3;
const FEW = 4;
/** Below this share of the model’s flow, or above its inverse, the two differ. */
const UNLIKE = 0.8;

/** Runs that are shorter than the pump is good for. */
function short({ station, spans, expected }: Evidence): Finding[] {
  const last = spans.slice(-NOW);
  if (last.length < NOW) return [];
  return station.pumps.flatMap((_, i): Finding[] => {
    const [n, h] = [last.reduce((a, s) => a + s.starts[i]!, 0), last.reduce((a, s) => a + s.run[i]!, 0)];
    const least = expected.minimumRun[i]!;
    if (n < 10 || least <= 0 || h / n >= 0.8 * least) return [];
    return [
      {
        kind: 'short-runs',
        pump: i,
        sentence: phrase`Pump ${String(i + 1)} runs ${quantity('time', h / n)} a start: less than the ${quantity('time', least)} that it is good for. Motor and contacts wear by starts.`,
        figures: [{ label: 'run a start', value: quantity('time', h / n) }],
        chance: 1e-4,
        since: null,
        next: phrase`Whether the float swings free and its tether is as set, whether water runs back at the stop, whether the start and stop lie too close.`,
        test: 'pump-down',
      },
    ];
  });
}

/** The first readings against the model: where they differ at once, the survey or the pump is another. */
function unlike({ spans, expected }: Evidence): Finding[] {
  const row = spans.filter((s) => s.flows !== null).slice(0, 6);
  if (row.length < FEW) return [];
  return expected.flows.flatMap((model, i): Finding[] => {
    const list = row.flatMap((s) => s.flows!.pumps[i]?.value ?? []);
    if (!model || list.length < 4) return [];
    const ratio = median(list) / model;
    if (ratio > UNLIKE && ratio < 1 / UNLIKE) return [];
    return [
      {
        kind: 'unlike-model',
        pump: i,
        sentence: phrase`From the first readings on pump ${String(i + 1)} gives ${quantity('flow', median(list))} by hours and starts, and ${quantity('flow', model)} by the model: a figure of the survey is not as on site, or the pump is not as its curve.`,
        figures: [
          { label: 'by hours and starts', value: quantity('flow', median(list)) },
          { label: 'by the model', value: quantity('flow', model) },
        ],
        chance: 0.005,
        since: null,
        next: phrase`Confirm area, trips and line in Survey; then a drawdown.`,
        test: 'drawdown',
      },
    ];
  });
}

export function runFindings(evidence: Evidence): Told {
  const { spans } = evidence;
  if (spans.length < NOW)
    return unanswered(
      ['short-runs', 'unlike-model'],
      phrase`wants ${String(NOW + 1)} visits with hour meters and start counters read; there are ${String(spans.length === 0 ? 0 : spans.length + 1)}`,
    );
  const modelled =
    spans.filter((s) => s.flows !== null).length >= FEW && evidence.expected.flows.some((f) => f !== null);
  const lives = evidence.expected.minimumRun.some((t) => t > 0);
  return {
    findings: [...short(evidence), ...unlike(evidence)],
    notAsked: [],
    asked: [...(lives ? (['short-runs'] as const) : []), ...(modelled ? (['unlike-model'] as const) : [])],
  };
}
