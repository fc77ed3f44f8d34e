import { read, settle } from '../circuit';
import { choiceOf, schemeOf, type Panel } from '../schemes';
import type { Station } from '../station';
import { phrase, quantity } from '../units';
import { atMost, told, type WiringCheck } from './check';
import { solveWith } from './inputs';
import type { Wired } from './wired';

/** How long the cable from a drive to its motor may be without a filter, m: usual figures; the drive’s manual decides. */
const LONGEST = { screened: 50, plain: 100 } as const;

function cable(station: Station, screened: boolean): WiringCheck {
  const how = screened
    ? phrase`Screened, the screen earthed all round at both ends: longer, and what it leaks by its capacitance loads the drive.`
    : phrase`Not screened, it sends out: keep it apart from float and alarm cables, crossing at right angles. Longer, and the steps of the drive double at the motor and wear its insulation.`;
  return atMost(
    'drive-cable',
    'cable from the drive to the pump',
    quantity('distance', screened ? LONGEST.screened : LONGEST.plain),
    quantity('distance', station.wiring.motor.length),
    phrase`${how} A filter at the drive allows more. Typical figure; the drive’s manual governs.`,
  );
}

/** Which residual-current device sees what a drive leaks: smooth direct current blinds one that is made for sine alone (IEC 62109 and IEC 61800-5-1, 4.3.10). */
function residual({ supply, profile }: Station): WiringCheck {
  const kind =
    profile === 'us-120'
      ? phrase`A ground-fault device of 6 mA opens on what the filter of a drive leaks in health; one that is listed for drives, or protection of the equipment at 30 mA, is what is asked for there.`
      : supply.source === 'three'
        ? phrase`Ahead of a drive on three phases it must be of type B: a fault behind the drive gives smooth direct current, which types AC and A do not see, and which blinds them to all others.`
        : phrase`Ahead of a drive on one phase it must be of type F or B: types AC and A do not see all that a drive leaks.`;
  return supply.residualCurrent
    ? told('drive-residual', 'residual-current device ahead of the drive', kind)
    : told(
        'drive-residual',
        'no residual-current device ahead of the drive',
        phrase`The drive opens its own output on a fault to earth; a fault before it has only the breaker. Where one is fitted, its type matters. ${kind}`,
      );
}

/** What a power cut leaves: asked of the circuit, with the water over every float. */
function afterCut(panel: Panel, wired: Wired): WiringCheck[] {
  const [supply, fault, logic] = [
    panel.devices.find((d) => d.function === 'supply'),
    panel.devices.find((d) => d.function === 'drive-fault'),
    panel.outcomes.find((o) => o.kind === 'pump'),
  ];
  if (!supply || !fault || !logic) return [];
  const floats = Object.fromEntries(panel.devices.flatMap((d) => (d.sensor === undefined ? [] : [[d.tag, 'up']])));
  const before = solveWith(wired, { ...floats, [fault.tag]: 'on' }, solveWith(wired, floats).states);
  const cut = settle(wired.structure, { ...before.states, [supply.tag]: 'cut' });
  const back = settle(wired.structure, { ...cut.states, [supply.tag]: 'there' });
  const stays = back.states[fault.tag] === 'tripped';
  return [
    told(
      'drive-cut',
      stays ? 'a power cut leaves the drive in external fault' : 'after a power cut the drive comes back by itself',
      stays
        ? phrase`Its floats are fed from elsewhere and are lost before the drive’s own link runs down: it sees the fault, and a person must reset it after every cut. Fed from the drive’s own supply, or as run enable, it would come back by itself.`
        : phrase`No fault is left behind in its inputs, by the way they are fed here. Who works at the pump must isolate it: it starts when the power is back.`,
    ),
  ];
}

/** With what open a float can be measured with ohms at its terminals: each breaker of the drive, and the disconnect, asked of the circuit. */
function measuring(panel: Panel, wired: Wired): WiringCheck[] {
  const control = new Set(panel.circuits.filter((c) => c.function === 'control').map((c) => c.id));
  const inControl = new Set(panel.terminals.flatMap((t) => (control.has(t.circuit) ? [t.id] : [])));
  // The floats of the alarm have a supply of their own, and are live whatever the pump is.
  const floats = panel.devices.filter(
    (d) =>
      d.sensor !== undefined &&
      panel.cores.some((c) => c.pin.startsWith(`${d.tag}:`) && c.terminal !== null && inControl.has(c.terminal)),
  );
  const up = Object.fromEntries(floats.map((d) => [d.tag, 'up']));
  const ends = floats.map((d) =>
    panel.cores.flatMap((c) => (c.terminal !== null && c.pin.startsWith(`${d.tag}:`) ? [c.terminal] : [])),
  );
  // The voltage stands over a float that is open while the others are closed.
  const dead = (tag: string) =>
    ends.every(([a, b], i) => {
      const { states } = solveWith(wired, { ...up, [floats[i]!.tag]: 'down', [tag]: 'off' });
      return (
        a === undefined ||
        b === undefined ||
        read(wired.structure, states, wired.points.get(a)!, wired.points.get(b)!, 'ohms').ok
      );
    });
  const opens = panel.devices.filter((d) => d.function === 'disconnect' || (d.function === 'breaker' && d.pump === 1));
  const [enough, not] = [true, false].map((is) => opens.filter((d) => dead(d.tag) === is).map((d) => d.tag));
  if (floats.length === 0 || opens.length === 0) return [];
  return [
    told(
      'drive-floats',
      'measuring floats behind a drive',
      phrase`${enough!.length > 0 ? `With ${enough!.join(' or ')} open and the link of the drive run down a float of its control can be measured with ohms at its terminals.` : 'No switch of this panel makes the floats of its control dead: lift their cores before they are measured with ohms.'}${not!.length > 0 ? ` ${not!.join(' or ')} alone leaves them live.` : ''} Asked with each float hanging and the others lifted.`,
    ),
  ];
}

/** Cable, protection and power cuts of a station whose pump runs from a drive; none of any other. */
export function driveFigures(station: Station, wired: Wired): WiringCheck[] {
  const { panel } = wired;
  const scheme = schemeOf(panel.scheme);
  if (!scheme || !panel.devices.some((d) => d.function === 'drive')) return [];
  const screened = scheme.options.some((o) => o.id === 'screen') && choiceOf(scheme, station, 'screen') === 'screened';
  return [
    cable(station, screened),
    residual(station),
    ...afterCut(panel, wired),
    ...(panel.outcomes.some((o) => o.kind === 'pump' && (o.dead?.length ?? 0) > 2)
      ? [
          told(
            'drive-rotation',
            'which way it turns',
            phrase`By the order of the phases at the output, whatever the order of the supply: see it turn with its arrow; change two cores at the output, or its direction in the drive.`,
          ),
        ]
      : []),
    ...measuring(panel, wired),
  ];
}
