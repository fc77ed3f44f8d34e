import { traitsOf } from '../duties';
import type { Panel } from '../schemes';
import type { Station } from '../station';
import { phrase, quantity } from '../units';
import { atLeast, told, type WiringCheck } from './check';
import { happens, solveWith } from './inputs';
import type { Wired } from './wired';

/** Whether the valve is open in every state of the floats when the power is gone: asked of the circuit. */
function openWithoutPower(wired: Wired, { devices, outcomes }: Panel): boolean {
  const supply = devices.find((d) => d.function === 'supply');
  const valve = outcomes.find((o) => o.kind === 'pump');
  if (!supply || !valve) return false;
  const floats = devices.filter((d) => d.sensor !== undefined).map((d) => d.tag);
  return (['down', 'up'] as const).some((at) =>
    happens(solveWith(wired, { ...Object.fromEntries(floats.map((f) => [f, at])), [supply.tag]: 'cut' }), valve),
  );
}

/** Pressure, and what a power cut does, of a tank that is filled through a valve; none of any other. */
export function valveFigures(station: Station, wired: Wired): WiringCheck[] {
  const { mover } = traitsOf(station);
  if (mover.kind !== 'valve' || !wired.panel.devices.some((d) => d.function === 'valve')) return [];
  const { valve } = mover;
  const open = openWithoutPower(wired, wired.panel);
  return [
    atLeast(
      'valve-pressure',
      'pressure for the valve',
      quantity('pressure', valve.needs),
      quantity('pressure', valve.has),
      valve.needs === 0
        ? phrase`It acts directly and needs none.`
        : phrase`It is opened by the water itself: with less it stays shut though its coil has voltage.`,
    ),
    {
      ...told(
        'valve-cut',
        open ? 'a power cut opens the valve: the tank runs over' : 'a power cut shuts the valve',
        open
          ? phrase`Its spring opens it when the power is lost, and nothing stops the water then. One that closes without power, or a float valve before it, would.`
          : phrase`Its spring closes it: nothing comes in until the power is back.`,
      ),
      ...(open && { state: 'broken' as const }),
    },
  ];
}
