import { traitsOf } from '../duties';
import { drawBetween, sayNoDuty, type LevelContext } from '../levels';
import { phrase, quantity } from '../units';
import { ampsAt, powerOf } from '../hydraulics';
import { holdOf } from './holdOff';
import { around, atMost, seen, TOLERANCE, unknown } from './expect';
import { atAlarm, atCall, liftOf, onBattery, turnsOf, whenSilenced } from './responses';
import type { Expectation, Step } from './step';

const water = { share: TOLERANCE.water };
const trip = { amount: TOLERANCE.trip };

/** Depth of a level below the rim: how it is read with a tape. */
const rimDown = ({ vessel }: LevelContext, level: number) => quantity('height', vessel.depth - level);

export function fillToLead(context: LevelContext): Step {
  const { station, vessel, stop, lead } = context;
  const fromStop = quantity('volume', context.drawdown);
  return {
    id: 'fill-lead',
    phase: 'wet',
    title: 'Fill until the pump starts',
    actions: [
      phrase`Stop the normal inflow if you can. Fill with the hose (${quantity('flow', station.settings.hoseFlow)}) and watch the floats.`,
      phrase`An empty pit takes ${quantity('volume', vessel.volume(stop))} to reach the stop level first. Count water or minutes from the stop level on.`,
    ],
    cautions: ['Keep the hose end above the water, so that nothing can be drawn back into the supply.'],
    expects: [
      around('volume', 'water from stop to start', fromStop, water),
      around('time', 'time for it by hose', quantity('time', context.drawdown / station.settings.hoseFlow), water),
      around('level', 'water when the pump starts, rim down', rimDown(context, lead), trip),
      seen('reacts', 'what reacts', atCall(context)),
    ],
    about: ['level:lead'],
  };
}

/** Amps of the pump that leads: never over its plate, and what its power at its flow comes to. */
function amps({ station, atLead, atStop }: LevelContext): Expectation[] {
  const pump = station.pumps[0]!;
  const most = atMost('amps', 'amps running', quantity('current', pump.ratedCurrent * (1 + TOLERANCE.current)));
  if (traitsOf(station).mover.kind === 'valve' || !atLead.ok || !atStop.ok) return [most];
  const at = (flow: number) => ampsAt(pump, station.supply, powerOf(pump, station.supply)(flow));
  const mean = (at(atLead.pumpFlow) + at(atStop.pumpFlow)) / 2;
  const assumed = pump.power === null;
  return [
    most,
    around(
      'amps-at-flow',
      `amps at its flow${assumed ? ', by an assumed power curve' : ''}`,
      quantity('current', mean),
      {
        share: assumed ? TOLERANCE.assumedPower : TOLERANCE.power,
      },
    ),
  ];
}

export function running(context: LevelContext): Step {
  const { station } = context;
  const volts = quantity('voltage', station.supply.voltage);
  return {
    id: 'running',
    phase: 'wet',
    title: 'Volts and amps',
    actions: [
      phrase`Volts at the outlet at rest and with the pump running; clamp around the line core alone while it runs.`,
    ],
    cautions: ['Live measuring: rated meter and leads, one hand where you can, dry feet.'],
    expects: [
      around('rest-volts', 'volts at rest', volts, { share: TOLERANCE.voltage }),
      around('run-volts', 'volts running', volts, { share: TOLERANCE.voltage }),
      ...amps(context),
    ],
    about: ['pump'],
  };
}

/** Time for one pump from a level to the stop; why it cannot be told, where it has no operating point there. */
function runFrom(context: LevelContext, label: string, level: number): Expectation {
  const drawn = drawBetween(context, level, context.stop, 0);
  return drawn.ok
    ? around('run', label, quantity('time', drawn.time), water)
    : unknown('run', label, 'time', sayNoDuty(drawn));
}

export function pumpDown(context: LevelContext): Step {
  const { vessel, stop, lead, hydraulics } = context;
  const rise = vessel.height(vessel.volume(stop) + hydraulics.drainback(1, stop).volume) - stop;
  return {
    id: 'pump-down',
    phase: 'wet',
    title: 'Let it pump down and stop',
    actions: [
      phrase`Hose off, inflow stopped. Watch in hand from start to stop.`,
      phrase`Then wait two minutes: what drains back lifts the water by ${quantity('height', rise)} and must not start the pump.`,
    ],
    cautions: [],
    expects: [
      runFrom(context, 'from start to stop', lead),
      around('level', 'water when the pump stops, rim down', rimDown(context, stop), trip),
      seen('stays', 'two minutes after', phrase`the pump stays still`),
      seen(
        'weep',
        'check valve and weep hole',
        context.station.discharge.weepHole
          ? phrase`a jet from the weep hole while it runs; no flow back for longer than the pipe takes to empty`
          : phrase`no flow back for longer than the pipe takes to empty`,
      ),
    ],
    about: ['level:stop', 'pipe'],
  };
}

export function drawdownTest(context: LevelContext): Step {
  const { vessel, stop, lead } = context;
  const drawn = drawBetween(context, lead, stop, 0);
  const rate = (expected: Expectation['id'], label: string, format: 'levelRate' | 'flow', of: number) =>
    drawn.ok
      ? around(expected, label, quantity(format, of / drawn.time), water)
      : unknown(expected, label, format, sayNoDuty(drawn));
  return {
    id: 'drawdown',
    phase: 'wet',
    title: 'Drawdown: what the pump really moves',
    actions: [
      phrase`Fill to the start again. From the start, measure how far the water falls and for how long; no hose.`,
      phrase`Then, the pump off, how fast it rises again by itself: that inflow is added to the pump's flow. One ${quantity('height', 0.01)} here is ${quantity('volume', vessel.area((stop + lead) / 2) * 0.01)}.`,
    ],
    cautions: [],
    expects: [
      rate('drop', 'drop of the water', 'levelRate', lead - stop),
      rate('flow', 'flow from it', 'flow', context.drawdown),
    ],
    about: ['level:lead', 'level:stop', 'pump', 'pipe'],
  };
}

/** Water up to the call of each further pump, the others held off. Nothing where one pump is all. */
export function fillToLag(context: LevelContext): Step[] {
  const { calls, station, vessel } = context;
  return calls.slice(1).map((level, i): Step => {
    const volume = vessel.volume(level) - vessel.volume(calls[i]!);
    return {
      id: `fill-lag-${i + 2}`,
      phase: 'wet',
      title: `Fill until pump ${i + 2} is called`,
      actions: [
        phrase`${i === 0 ? 'The first pump' : 'The first two pumps'} at Off. Fill on from the level before with the hose (${quantity('flow', station.settings.hoseFlow)}).`,
      ],
      cautions: ['Hold a pump off only by its selector or its lock; put it back to automatic after.'],
      expects: [
        around('volume', 'water for it', quantity('volume', volume), water),
        around('level', `water when pump ${i + 2} starts, rim down`, rimDown(context, level), trip),
      ],
      about: [i === 0 ? 'level:lag' : 'level:lag2'],
    };
  });
}

/** Two calls, two pumps. Nothing where they do not take turns. */
export function alternation(context: LevelContext): Step[] {
  const { station, hydraulics } = context;
  if (!station.control.alternates || hydraulics.count < 2) return [];
  return [
    {
      id: 'alternator',
      phase: 'wet',
      title: 'The pumps take turns',
      actions: [phrase`Let it call ${String(hydraulics.count + 1)} times and note which pump starts.`],
      cautions: [],
      expects: [seen('turns', 'pumps that start', turnsOf(context, hydraulics.count + 1))],
      about: ['pump'],
    },
  ];
}

/** What the float of the cut-off does as it rises and as it comes down, those below it up. */
function cutOffSays(context: LevelContext): Expectation[] {
  const float = context.sensors.find(({ sensor }) => sensor.role === 'cutoff');
  if (!float) return [];
  const { lifted, back } = liftOf(context, float.sensor.id);
  return [seen('stops', 'what reacts', lifted), seen('again', 'once the water is down from it', back)];
}

/** Water up to the cut-off with the pump held off. Nothing without one. */
export function cutOff(context: LevelContext): Step[] {
  const { cutoff } = context;
  if (!cutoff) return [];
  if (traitsOf(context.station).direction === 'fill')
    return [
      {
        id: 'cut-off',
        phase: 'alarm',
        title: 'The second float stops the filling',
        actions: [
          phrase`Hold the float that stops the filling as if the tank were low, and let it fill on to the second float.`,
        ],
        cautions: ['Stay at the tank: only this float stops it now. Let the first float go again afterwards.'],
        expects: [
          around('level', 'water when it stops, rim down', rimDown(context, cutoff.rise), trip),
          ...cutOffSays(context),
        ],
        about: ['level:cutoff'],
      },
    ];
  return [
    {
      id: 'cut-off',
      phase: 'alarm',
      title: 'The cut-off stops what makes the water',
      actions: [phrase`Pump held off, what makes the water running. Raise the water to the cut-off.`],
      cautions: ['The appliance has a supply of its own: it stays live when the pump is off.'],
      expects: [
        around('level', 'water when it stops, rim down', rimDown(context, cutoff.rise), trip),
        ...cutOffSays(context),
      ],
      about: ['level:cutoff'],
    },
  ];
}

/** A tank that is filled: drawn down to its start, filled to its stop. */
export function fillTank(context: LevelContext): Step[] {
  const { stop, lead, station } = context;
  const { runOn } = traitsOf(station);
  return [
    {
      id: 'draw-start',
      phase: 'wet',
      title: 'Draw until filling starts',
      actions: [
        phrase`Open a draw and watch the water go down. From stop to start it is ${quantity('volume', context.drawdown)}.`,
      ],
      cautions: ['A float in a tank of drinking water is of a kind that is made for it.'],
      expects: [
        around('level', 'water when filling starts, rim down', rimDown(context, lead), trip),
        seen('reacts', 'what reacts', atCall(context)),
      ],
      about: ['level:lead'],
    },
    {
      id: 'fill-up',
      phase: 'wet',
      title: 'Let it fill and stop',
      actions: [phrase`Draws shut. Watch in hand from start to stop, then look how much still runs in.`],
      cautions: ['Stay with it until it has stopped: the overflow is the next thing up.'],
      expects: [
        runFrom(context, 'from start to stop', lead),
        around('level', 'water when filling stops, rim down', rimDown(context, stop), trip),
        seen(
          'after',
          'two minutes after',
          phrase`no more runs in${runOn > 0 ? phrase`, after at most ${quantity('time', runOn)}` : phrase``}`,
        ),
      ],
      about: ['level:stop'],
    },
  ];
}

/** Water up to the alarm with the pump held off, and down again. Nothing without an alarm float. */
export function fillToAlarm(context: LevelContext): Step[] {
  const { station, vessel, lead, alarm } = context;
  if (!alarm || traitsOf(station).direction === 'fill') return alarm ? alarmExtras(context) : [];
  const hold = holdOf(station);
  const volume = vessel.volume(alarm.rise) - vessel.volume(lead);
  return [
    {
      id: 'fill-alarm',
      phase: 'alarm',
      title: 'Fill until the alarm acts',
      actions: [phrase`${hold.off}, leave the alarm on. Fill from the start level on.`],
      cautions: ['Stay with it: nothing pumps now, and the overflow is the next thing up.'],
      expects: [
        around('volume', 'water from start to alarm', quantity('volume', volume), water),
        around('time', 'time for it by hose', quantity('time', volume / station.settings.hoseFlow), water),
        around('level', 'water when the alarm sounds, rim down', rimDown(context, alarm.rise), trip),
        seen('alarm', 'what reacts', atAlarm(context, alarm.rise)),
        ...(station.alarm.horn
          ? [seen('heard', 'horn', phrase`is heard at: ${station.alarm.place || 'the place where people are'}`)]
          : []),
      ],
      about: ['level:alarm'],
    },
    ...alarmExtras(context),
    {
      id: 'recover',
      phase: 'alarm',
      title: hold.backTitle,
      actions: [phrase`Hose off. ${hold.back}; watch in hand until it stops.`],
      cautions: [],
      expects: [
        runFrom(context, 'from alarm level to stop', alarm.rise),
        around('clears', 'water when the alarm clears, rim down', rimDown(context, alarm.fall), trip),
      ],
      about: ['level:alarm', 'level:stop', 'pump'],
    },
  ];
}

function alarmExtras(context: LevelContext): Step[] {
  const { alarm } = context.station;
  const rise = context.alarm?.rise ?? context.lead;
  const step = (id: string, title: string, action: string, caution: string[], expects: Expectation[]): Step => ({
    id,
    phase: 'alarm',
    title,
    actions: [phrase`${action}`],
    cautions: caution,
    expects,
    about: ['level:alarm'],
  });
  return [
    ...(alarm.silence
      ? [
          step(
            'silence',
            'Silence the horn',
            'Press silence with the float still up.',
            [],
            [seen('silenced', 'after silence', whenSilenced(context, rise))],
          ),
        ]
      : []),
    ...(alarm.battery
      ? [
          step(
            'battery',
            'Alarm on its battery',
            'Switch off the alarm circuit with the float still up.',
            ['Only the alarm is off now; the pump circuit may still be live.'],
            [seen('battery', 'with its power off', onBattery(context, rise))],
          ),
        ]
      : []),
    ...(alarm.remoteContact
      ? [
          step(
            'remote',
            'Remote contact',
            'Meter on the remote pair, at the far end if you can.',
            ['The far end may bring its own supply: test for volts before ohms.'],
            [seen('remote', 'remote pair', phrase`changes over with the alarm, and is received at the far end`)],
          ),
        ]
      : []),
  ];
}
