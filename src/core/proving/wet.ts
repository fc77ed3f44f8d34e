import { drawTime, sayNoDuty, type LevelContext } from '../levels';
import { phrase, quantity, type Phrase } from '../units';
import { around, atMost, seen, TOLERANCE, unknown } from './expect';
import type { Expectation, Step } from './step';

const water = { share: TOLERANCE.water };
const trip = { amount: TOLERANCE.trip };

/** Depth of a level below the rim: how it is read with a tape. */
const rimDown = ({ vessel }: LevelContext, level: number) => quantity('height', vessel.depth - level);

/** Why the pump's own times cannot be told, or null when they can. */
function untold({ atStop, atLead }: LevelContext): Phrase | null {
  if (!atStop.ok) return sayNoDuty(atStop);
  return atLead.ok ? null : sayNoDuty(atLead);
}

export function fillToLead(context: LevelContext): Step {
  const { station, vessel, stop, lead } = context;
  const fromStop = quantity('volume', context.drawdown);
  return {
    id: 'fill-lead',
    phase: 'wet',
    title: 'Fill until the pump starts',
    actions: [
      phrase`Stop the normal inflow if you can. Fill with the hose (${quantity('flow', station.settings.hoseFlow)}) and watch the pump float.`,
      phrase`An empty pit takes ${quantity('volume', vessel.volume(stop))} to reach the stop level first. Count water or minutes from the stop level on.`,
    ],
    cautions: ['Keep the hose end above the water, so that nothing can be drawn back into the supply.'],
    expects: [
      around('volume', 'water from stop to start', fromStop, water),
      around('time', 'time for it by hose', quantity('time', context.drawdown / station.settings.hoseFlow), water),
      around('level', 'water when the pump starts, rim down', rimDown(context, lead), trip),
      seen('reacts', 'what reacts', phrase`the pump alone; the bell stays quiet`),
    ],
    about: ['level:lead', 'float:pump'],
  };
}

export function running({ station }: LevelContext): Step {
  const volts = quantity('voltage', station.supply.voltage);
  return {
    id: 'running',
    phase: 'wet',
    title: 'Volts and amps',
    actions: [phrase`Volts at the outlet at rest and with the pump running; clamp around the line core alone while it runs.`],
    cautions: ['Live measuring: rated meter and leads, one hand where you can, dry feet.'],
    expects: [
      around('rest-volts', 'volts at rest', volts, { share: TOLERANCE.voltage }),
      around('run-volts', 'volts running', volts, { share: TOLERANCE.voltage }),
      atMost('amps', 'amps running', quantity('current', station.pumps[0]!.ratedCurrent * (1 + TOLERANCE.current))),
    ],
    about: ['pump'],
  };
}

export function pumpDown(context: LevelContext): Step {
  const { vessel, stop, lead, hydraulics } = context;
  const none = untold(context);
  const rise = vessel.height(vessel.volume(stop) + hydraulics.drainback) - stop;
  const run: Expectation = none ? unknown('run', 'from start to stop', 'time', none) : around('run', 'from start to stop', quantity('time', drawTime(context, lead, stop, 0)), water);
  return {
    id: 'pump-down',
    phase: 'wet',
    title: 'Let it pump down and stop',
    actions: [phrase`Hose off, inflow stopped. Watch in hand from start to stop.`, phrase`Then wait two minutes: what drains back lifts the water by ${quantity('height', rise)} and must not start the pump.`],
    cautions: [],
    expects: [
      run,
      around('level', 'water when the pump stops, rim down', rimDown(context, stop), trip),
      seen('stays', 'two minutes after', phrase`the pump stays still`),
      seen('weep', 'check valve and weep hole', context.station.discharge.weepHole ? phrase`a jet from the weep hole while it runs; no flow back for longer than the pipe takes to empty` : phrase`no flow back for longer than the pipe takes to empty`),
    ],
    about: ['level:stop', 'float:pump', 'pipe'],
  };
}

export function drawdownTest(context: LevelContext): Step {
  const { vessel, stop, lead } = context;
  const none = untold(context);
  const drop = none ? null : (lead - stop) / drawTime(context, lead, stop, 0);
  const flow = none ? null : context.drawdown / drawTime(context, lead, stop, 0);
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
      drop === null ? unknown('drop', 'drop of the water', 'levelRate', none!) : around('drop', 'drop of the water', quantity('levelRate', drop), water),
      flow === null ? unknown('flow', 'flow from it', 'flow', none!) : around('flow', 'flow from it', quantity('flow', flow), water),
    ],
    about: ['level:lead', 'level:stop', 'pump', 'pipe'],
  };
}

/** Water up to the bell with the pump held off, and down again. Nothing without an alarm float. */
export function fillToAlarm(context: LevelContext): Step[] {
  const { station, vessel, stop, lead, alarm } = context;
  if (!alarm) return [];
  const volume = vessel.volume(alarm.rise) - vessel.volume(lead);
  const none = untold(context);
  return [
    {
      id: 'fill-alarm',
      phase: 'alarm',
      title: 'Fill until the bell rings',
      actions: [phrase`Unplug the pump, leave the alarm on. Fill from the start level on.`],
      cautions: ['Stay with it: nothing pumps now, and the overflow is the next thing up.'],
      expects: [
        around('volume', 'water from start to bell', quantity('volume', volume), water),
        around('time', 'time for it by hose', quantity('time', volume / station.settings.hoseFlow), water),
        around('level', 'water when the bell rings, rim down', rimDown(context, alarm.rise), trip),
        ...(station.alarm.horn ? [seen('horn', 'horn', phrase`sounds, and is heard at: ${station.alarm.place || 'the place where people are'}`)] : []),
        ...(station.alarm.lamp ? [seen('lamp', 'lamp', phrase`lit`)] : []),
      ],
      about: ['level:alarm', 'float:alarm'],
    },
    ...alarmExtras(context),
    {
      id: 'recover',
      phase: 'alarm',
      title: 'Plug the pump in again',
      actions: [phrase`Hose off. Plug the pump into the float's plug; watch in hand until it stops.`],
      cautions: [],
      expects: [
        none ? unknown('run', 'from bell level to stop', 'time', none) : around('run', 'from bell level to stop', quantity('time', drawTime(context, alarm.rise, stop, 0)), water),
        around('clears', 'water when the bell clears, rim down', rimDown(context, alarm.fall), trip),
      ],
      about: ['level:alarm', 'level:stop', 'pump'],
    },
  ];
}

function alarmExtras({ station }: LevelContext): Step[] {
  const { alarm } = station;
  const step = (id: string, title: string, action: string, caution: string[], expects: Expectation[]): Step => ({ id, phase: 'alarm', title, actions: [phrase`${action}`], cautions: caution, expects, about: ['float:alarm'] });
  return [
    ...(alarm.silence ? [step('silence', 'Silence the horn', 'Press silence with the float still up.', [], [seen('silenced', 'after silence', phrase`horn off${alarm.lamp ? ', lamp stays lit' : ''}`)])] : []),
    ...(alarm.battery
      ? [step('battery', 'Alarm on its battery', 'Switch off the alarm circuit with the float still up.', ['Only the alarm is off now; the pump circuit may still be live.'], [seen('battery', 'with its power off', phrase`the alarm still sounds`)])]
      : []),
    ...(alarm.remoteContact
      ? [step('remote', 'Remote contact', 'Meter on the remote pair, at the far end if you can.', ['The far end may bring its own supply: test for volts before ohms.'], [seen('remote', 'remote pair', phrase`changes over with the bell, and is received at the far end`)])]
      : []),
  ];
}
