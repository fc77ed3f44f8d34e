import { potential, settle, size, solve, structureOf, waitingOf, type Component } from '../circuit';
import type { Device } from '../schemes';
import { phrase, quantity, type Phrase } from '../units';
import { told, type WiringCheck } from './check';
import { inTheEnd, solveWith } from './inputs';
import type { Wired } from './wired';

/** A winding that has failed to its frame, Ω. */
const TO_FRAME = 0.5;
/** So much on a wet frame hurts, V (IEC 60364-4-41, 414.4.5). */
const HURTS = 25;

/** What a winding of one motor to its frame puts on it, and what then opens: asked of the circuit with the water over every float. */
function ofMotor(wired: Wired, motor: Device): WiringCheck[] {
  const { panel, netlist } = wired;
  const floats = Object.fromEntries(panel.devices.flatMap((d) => (d.sensor === undefined ? [] : [[d.tag, 'up']])));
  const hands = Object.fromEntries(
    panel.devices
      .filter((d) => d.function === 'selector' && d.pump === motor.pump)
      .map((d) => [d.tag, d.positions[0]!.state]),
  );
  const runs = solveWith(wired, { ...floats, ...hands });
  const [winding, frame] = [`${motor.tag}:U`, `${motor.tag}:PE`];
  const fault: Component = { kind: 'impedance', id: 'fault', a: winding, b: frame, r: TO_FRAME };
  const structure = structureOf({ ...netlist, components: [...netlist.components, fault] });
  const volts = size(potential(solve(structure, runs.states), frame, 'ac'));
  // A motor that does not run with the water over every float was not asked here.
  if (size(potential(runs.solution, winding, 'ac')) < HURTS) return [];
  const at = settle(structure, runs.states);
  const end = inTheEnd({ ...wired, structure }, at);
  const opened = end.moves.find((m) => m.to === 'tripped');
  const waits = waitingOf(at).find((w) => w.device === opened?.device);
  const left = size(potential(end.solution, frame, 'ac'));
  const how: Phrase = !opened
    ? phrase`nothing opens`
    : waits
      ? phrase`${opened.device} opens after ${quantity('time', waits.after)}`
      : phrase`${opened.device} opens at once`;
  return [
    {
      ...told(
        `earth-${motor.tag}`,
        `a winding of ${motor.label} to its frame`,
        phrase`${quantity('voltage', volts)} stand on the frame and in the water round it; ${how}${left > HURTS ? phrase`, and ${quantity('voltage', left)} stay` : ''}. Asked with the motor running, nobody touching it, and the earth as it is landed.`,
      ),
      ...(left > HURTS && { state: 'broken' as const }),
    },
  ];
}

/** Behind a drive it is the drive’s own protection that opens, and that is not in the model. */
const behindDrive = (motor: Device): WiringCheck =>
  told(
    `earth-${motor.tag}`,
    `a winding of ${motor.label} to its frame`,
    phrase`Not asked here: behind a drive its own protection opens on a fault to earth, and that is not modelled. Its manual says how it is tried.`,
  );

/** A fault to earth of each motor. */
export const earthFigures = (wired: Wired): WiringCheck[] =>
  wired.panel.devices
    .filter((d) => d.function === 'motor' && d.cable && 'PE' in d.cable.colours)
    .flatMap((d) =>
      wired.panel.devices.some((x) => x.function === 'drive' && x.pump === d.pump)
        ? [behindDrive(d)]
        : ofMotor(wired, d),
    );
