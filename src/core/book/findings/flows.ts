import { median } from '../../numeric';
import { phrase, quantity, type Phrase } from '../../units';
import { wayOf } from '../../duties';
import type { Station } from '../../station';
import { notByEquations } from '../expected';
import { unanswered, type Evidence, type Finding, type Told } from '../finding';
import type { Span } from '../spans';
import { EACH_SIDE, shiftAt, shiftIn, type Shift } from '../shift';

/** A pump that lost less than this is not told of: pumps and weather are no better alike. */
const TOLD = 0.08;
/** Water that grew by less than this share is weather. */
const MORE = 0.4;
/** Logarithms of flows are taken to be no surer than this: trips and figures repeat no better. */
const LEAST_NOISE = 0.012;

const mean = (list: readonly number[]) => list.reduce((a, b) => a + b, 0) / list.length;
const share = (log: number): number => Math.abs(Math.exp(log) - 1);
const flow = (value: number) => quantity('flow', value);
/** So much more often; past four times as often a share says nothing that anybody sees. */
const oftener = (log: number): Phrase =>
  share(log) > 3
    ? phrase`${String(Math.round(Math.exp(log)))} times as often`
    : phrase`${quantity('share', share(log))} more often`;

/** A row of spans in which every pump has a flow. */
type Row = readonly { readonly span: Span; readonly q: number; readonly pumps: readonly number[] }[];

function rowOf(spans: readonly Span[]): Row {
  return spans.flatMap((span) => {
    const pumps = span.flows?.pumps.map((p) => p?.value ?? null) ?? [null];
    return pumps.every((p) => p !== null) ? [{ span, q: span.flows!.inflow.value, pumps: pumps as number[] }] : [];
  });
}

const sinceOf = (row: Row, shift: Shift): number => row[shift.at]!.span.from;

/** Tests that tell a pump from its line, and a float from both. */
const DRAWDOWN = phrase`A drawdown by tape and watch tells the flow without the floats: the same flow as here, and it is pump or line; the flow of before, and a float stands elsewhere.`;

/** One pump of several against the others. */
function oneOfSeveral(row: Row, expected: Evidence['expected']): Finding[] {
  const count = row[0]!.pumps.length;
  return Array.from({ length: count }, (_, i): Finding[] => {
    const against = row.map((r) => Math.log(r.pumps[i]!) - mean(r.pumps.filter((_, j) => j !== i).map(Math.log)));
    const shift = shiftIn(against, LEAST_NOISE);
    if (!shift || share(shift.by) < TOLD || shift.by > 0 || shift.chance > 0.01) return [];
    const [before, after] = [row.slice(0, shift.at), row.slice(-EACH_SIDE)].map((part) =>
      median(part.map((r) => r.pumps[i]!)),
    ) as [number, number];
    return [
      {
        kind: 'pump-weaker',
        pump: i,
        sentence: phrase`Pump ${String(i + 1)} gives ${quantity('share', share(shift.by))} less than it did, measured against ${count === 2 ? 'the other' : 'the others'}: ${flow(after)} where it gave ${flow(before)}. What they share would have slowed ${count === 2 ? 'both' : 'all'}: look at this pump first, at what of the line is its own, and whether water it moves comes back through ${count === 2 ? 'the other, which then turns backwards' : 'another, which then turns backwards'}.`,
        figures: [
          { label: 'gave', value: flow(before) },
          { label: 'gives', value: flow(after) },
          ...(expected.flows[i] ? [{ label: 'by the model', value: flow(expected.flows[i]) }] : []),
        ],
        chance: shift.chance,
        since: sinceOf(row, shift),
        next: phrase`Its drawdown, amps beside the flow, and a look whether a pump that rests turns backwards meanwhile: then water comes back through that one, as past a check valve that does not shut. Else its impeller, intake and its own check valve.`,
        test: 'drawdown',
      },
    ];
  }).flat();
}

/** Which way water goes at this station, in words: what is filled is drawn from, and has no rain or ground water. */
interface Water {
  readonly word: string;
  readonly comes: string;
  readonly came: string;
  readonly back: Phrase;
  readonly seeBack: Phrase;
  readonly lookFor: Phrase;
}

function waterOf({ duty, discharge }: Pick<Station, 'duty' | 'discharge'>): Water {
  const through =
    discharge.checkValve === null
      ? phrase`back through the pump, where no check valve is fitted`
      : phrase`as through a check valve that leaks`;
  if (wayOf({ duty }).direction === 'fill')
    return {
      word: 'draw',
      comes: 'is drawn',
      came: 'were drawn',
      back: phrase`goes while they rest and not while they run, ${through}`,
      seeBack: phrase`Fill it, shut every draw and mark the water: it falls by what goes. Where there is a valve in the filling line, shut it: if it stays, it went that way; if not, the tank leaks.`,
      lookFor: phrase`Who draws more; a tap or cistern that runs, a leak in the tank or behind it.`,
    };
  return {
    word: 'inflow',
    comes: 'comes',
    came: 'came in',
    back: phrase`comes back from the line while they rest, ${through}`,
    seeBack: phrase`Pump down, stop the inflow or take the hour of least, and mark the water: it rises by what comes back. Where there is a valve in the line above the pump, shut it: then it stays.`,
    lookFor: phrase`Compare it with the rain and the season; look for a cistern that runs, a drain that was led in, ground water.`,
  };
}

/** Sentences of what became of all pumps together, by what the water did meanwhile. */
function together(row: Row, shift: Shift, { comes, word }: Water): Finding | null {
  const q = shiftAt(
    row.map((r) => Math.log(r.q)),
    shift.at,
  );
  const [before, after] = [row.slice(0, shift.at), row.slice(-EACH_SIDE)].map((part) =>
    median(part.map((r) => mean(r.pumps))),
  ) as [number, number];
  const [qBefore, qAfter] = [Math.exp(q.before), Math.exp(q.after)];
  const since = sinceOf(row, shift);
  const figures = [
    { label: 'pump flow before', value: flow(before) },
    { label: 'now', value: flow(after) },
    { label: `${word} before`, value: flow(qBefore) },
    { label: `${word} now`, value: flow(qAfter) },
  ];
  const told = (kind: Finding['kind'], sentence: Phrase, next: Phrase, test: string | null): Finding => ({
    kind,
    pump: null,
    sentence,
    figures,
    chance: shift.chance,
    since,
    next,
    test,
  });
  const several = row[0]!.pumps.length > 1;
  const alike = Math.abs(q.by - shift.by) < Math.max(0.06, 2 * q.deviation);
  const steady = Math.abs(q.by) < Math.max(0.06, 2 * q.deviation);
  const floats = told(
    'volume-changed',
    phrase`Pump flow and ${word} went ${shift.by > 0 ? 'up' : 'down'} together by ${quantity('share', share(shift.by))}: the water between stop and start is ${shift.by > 0 ? 'less' : 'more'} than the station says, and neither flow need have changed. A float has slipped, or catches.`,
    phrase`Measure where stop and start act, from the rim down. ${DRAWDOWN}`,
    'drawdown',
  );
  // Against water that changes by itself, alike and steady cannot always be told apart.
  if (alike && !steady) return floats;
  if (shift.by < 0)
    return told(
      'line-tighter',
      several
        ? phrase`All pumps give ${quantity('share', share(shift.by))} less than they did, and as much water ${comes}: the line that they share is fouled or part shut, or water goes round through pumps that rest${alike ? phrase`, or a float stands elsewhere` : phrase``}.`
        : phrase`The pump gives ${quantity('share', share(shift.by))} less than it did, and as much water ${comes}: it is worn or clogged, or its line is fouled or part shut: hours and starts cannot tell which${alike ? phrase`, nor from a float that stands elsewhere` : phrase``}.`,
      phrase`${several ? phrase`See whether a pump that rests turns backwards while another runs: then water comes back through it. ` : phrase``}${DRAWDOWN} A gauge at the pump then tells pump from line: more pressure at less flow is the line, less is the pump.`,
      'drawdown',
    );
  return told(
    'volume-changed',
    phrase`By hours and starts pumps give ${quantity('share', share(shift.by))} more than they did. Pumps do not grow: the water between stop and start is less than the station says, or the line was cleared.`,
    phrase`Measure where stop and start act, from the rim down. ${DRAWDOWN}`,
    'drawdown',
  );
}

/**
 * More starts: whether that water comes from outside or came back from the pipe. While a pump runs nothing comes back: then water from
 * outside makes runs longer, and water that comes back does not, so that the pump flow that the equations give seems to grow by as much.
 */
function moreStarts(row: Row, expected: Evidence['expected'], water: Water): Finding | null {
  const shift = shiftIn(
    row.map((r) => Math.log(r.q)),
    0.03,
  );
  if (!shift || shift.by < Math.log(1 + MORE) || shift.chance > 0.01) return null;
  const flows = shiftAt(
    row.map((r) => mean(r.pumps)),
    shift.at,
  );
  const [before, after] = [Math.exp(shift.before), Math.exp(shift.after)];
  const more = after - before;
  const [part, by] = [flows.by / more, flows.deviation / more];
  const figures = [
    { label: `${water.word} before`, value: flow(before) },
    { label: 'now, as the starts have it', value: flow(after) },
    { label: 'what runs back, as the runs have it', value: flow(Math.max(flows.by, 0)) },
  ];
  // Flow cannot seem to grow by much more than what comes back: then it is the volume that is another.
  if (part - 2 * by > 1.6) return null;
  const base = { pump: null, figures, chance: shift.chance, since: sinceOf(row, shift) };
  if (part - 2 * by > 0.35)
    return {
      ...base,
      kind: 'runs-back',
      sentence: phrase`Pumps start ${oftener(shift.by)}, and their runs did not grow longer as they would if more ${water.came}: about ${flow(flows.by)} ${water.back}.`,
      next: water.seeBack,
      test: 'pump-down',
    };
  if (part + 2 * by < 0.65)
    return {
      ...base,
      kind: 'more-water',
      sentence: phrase`More water ${water.comes}: ${flow(after)} where it was ${flow(before)}, and runs grew longer with it as they must.`,
      next: water.lookFor,
      test: null,
    };
  return {
    ...base,
    kind: 'not-told',
    sentence: phrase`Pumps start ${oftener(shift.by)}. Whether more ${water.comes} or some goes the way it came while they rest the readings do not tell: ${expected.flows.length > 0 ? phrase`the run grows too little by either` : phrase`no flow is known`}.`,
    next: water.seeBack,
    test: 'pump-down',
  };
}

/** Spans that the flows are told from at least. */
const NEEDED = 2 * EACH_SIDE + 2;

export function flowFindings({ station, spans, expected }: Evidence): Told {
  const row = rowOf(spans);
  const kinds = ['pump-weaker', 'line-tighter', 'volume-changed', 'runs-back', 'more-water'] as const;
  const never = notByEquations(station);
  if (never !== null) return unanswered(kinds, phrase`${never}`);
  if (row.length < NEEDED)
    return unanswered(
      kinds,
      phrase`wants ${String(NEEDED + 1)} visits with every hour meter and start counter read, and moved, some time apart; there are ${String(row.length === 0 ? 0 : row.length + 1)}`,
    );
  const water = waterOf(station);
  const one = row[0]!.pumps.length > 1 ? oneOfSeveral(row, expected) : [];
  const more = moreStarts(row, expected, water);
  const shift = shiftIn(
    row.map((r) => mean(r.pumps.map(Math.log))),
    LEAST_NOISE,
  );
  const all =
    one.length === 0 && shift && share(shift.by) >= TOLD && shift.chance < 0.01 && more?.kind !== 'runs-back'
      ? together(row, shift, water)
      : null;
  return {
    findings: [...one, ...(all ? [all] : []), ...(more && all?.kind !== 'volume-changed' ? [more] : [])],
    notAsked: [],
    asked: kinds.filter((k) => k !== 'pump-weaker' || row[0]!.pumps.length > 1),
  };
}
