import { pinOf, type Device } from '../schemes';
import { kindOf, type Sensor } from '../sensors';
import { straightIn, type Act, type Test } from '../tests';
import { phrase } from '../units';
import type { Bench } from './job';
import { reacts, work } from './parts';

/*
 * Bypass tests and their like: what is bridged, plugged straight or turned to Hand for seconds, with its undoing.
 */

const device = ({ panel }: Bench, sensor: Sensor): Device | undefined =>
  panel?.devices.find((d) => d.sensor === sensor.id);

/** The pump run past its float, for seconds: straight into the outlet, or by its selector in Hand. Nothing where this panel has neither. */
export function bypassPump(bench: Bench): Test[] {
  const plug = straightIn(bench.panel);
  const common = {
    cautions: [
      'Seconds only: with the float bypassed nothing stops the pump. Stay at it, and put it back before anything else.',
    ],
    minutes: 2,
    risk: 'bridged' as const,
    about: ['pump'] as const,
  };
  if (plug)
    return [
      work('bypass', 'Pump straight into the outlet', {
        ...common,
        actions: [
          phrase`Take the pump’s plug out of the float’s plug and put it straight into the outlet, for seconds.`,
        ],
        acts: plug.acts,
        sees: [reacts('runs', 'what happens')],
        restores: plug.back,
      }),
    ];
  const selector = bench.panel?.devices.find((d) => d.positions.some((p) => p.state === 'hand'));
  if (!selector) return [];
  const put = (to: string): Act => ({ kind: 'put', device: selector.tag, to });
  return [
    work('bypass', 'Pump in Hand', {
      ...common,
      actions: [
        phrase`${selector.tag} to Hand, for seconds; then back to ${selector.positions.find((p) => p.state === selector.initial)?.label ?? 'automatic'}.`,
      ],
      acts: [put('hand')],
      sees: [reacts('runs', 'what happens')],
      restores: [put(selector.initial)],
    }),
  ];
}

/** The pair of a float bridged at its terminals, as if the float were lifted (or hung): what the panel does. */
export function bridgeFloat(bench: Bench, sensor: Sensor): Test[] {
  const of = device(bench, sensor);
  const at = (bench.panel?.cores ?? []).flatMap((c) =>
    of && pinOf(c.pin)[0] === of.tag && c.terminal ? [c.terminal] : [],
  );
  const [a, b] = at;
  if (!of || !a || !b) return [];
  const word = `${sensor.role} ${kindOf(sensor).noun}`;
  return [
    work(`bridge-${sensor.id}`, `Bridge the pair of the ${word}`, {
      actions: [phrase`At the box, bridge ${a} and ${b} with an insulated jumper, for seconds.`],
      cautions: ['The pair is live with its own voltage: insulated jumper, one hand. Take it out before you leave it.'],
      acts: [{ kind: 'bridge', a, b, fitted: true }],
      sees: [reacts('bridged', 'what happens')],
      restores: [{ kind: 'bridge', a, b, fitted: false }],
      minutes: 2,
      risk: 'bridged',
      about: [`float:${sensor.id}`],
    }),
  ];
}

/** One float lifted by hand, and let go: what the panel does each time. */
export function liftFloat(bench: Bench, sensor: Sensor, id = `lift-${sensor.id}`): Test[] {
  const of = device(bench, sensor);
  if (!of) return [];
  const word = `${sensor.role} ${kindOf(sensor).noun}`;
  const made = work(id, `Work the ${word} by hand`, {
    actions: [
      !kindOf(sensor).hand.lifts
        ? phrase`${kindOf(sensor).hand.how}`
        : phrase`Lift the ${word} with a dry rod, hold it, let it go.`,
    ],
    cautions: ['Live: dry, non-conducting rod; hands out of the water. A pump that starts runs dry: seconds only.'],
    minutes: 2,
    risk: 'rod',
    about: [`float:${sensor.id}`],
  });
  return [
    {
      ...made,
      parts: [
        { acts: [{ kind: 'put', device: of.tag, to: 'up' }], observes: [reacts('lifted', 'lifted')] },
        { acts: [{ kind: 'let go', device: of.tag }], observes: [reacts('back', 'let go')] },
      ],
    },
  ];
}
