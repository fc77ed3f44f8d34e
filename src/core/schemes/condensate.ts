import { phrase } from '../units';
import { alarmChain } from './alarmChain';
import { noCarried } from './carried';
import { feed } from './feed';
import { floatSwitch, sensorOf } from './floats';
import { cutOff } from './interlocks';
import { pumpPower } from './motor';
import { motorThroughFloat, needs, noPermission, noSecondStop, noValve, oneContactTwoLegs, onePump } from './reasons';
import { type Scheme } from './scheme';

/** Scheme 8: a condensate pump with its float, and a high-level switch that stops what makes the water. */
export const condensate: Scheme = {
  id: 'condensate',
  title: 'condensate pump with cut-off',
  summary:
    'The pump’s own float carries its small motor; the high-level switch stops the appliance, by its low-voltage call or its live feed, and may give the alarm as well.',
  people:
    'Mains only in the pump’s own housing. The cut-off is in the appliance’s circuit: two supplies meet in one box.',
  fails: [
    'A high-level switch that was never connected shows nothing until the pump fails.',
    'The wrong core of the changeover stops the appliance when all is well.',
    'A blocked tube is told by the cut-off: the appliance stands.',
  ],
  together: 'one',
  options: [],
  against: (station) => [
    ...(station.duty.kind === 'condensate'
      ? []
      : [phrase`it lifts condensate, and this is not what the station is for`]),
    ...onePump(station),
    ...noValve(station),
    ...oneContactTwoLegs(station),
    ...smallMotor(station),
    ...needs(station, 'cutoff'),
    ...noPermission(station),
    ...noCarried(station, false),
    ...noSecondStop(station),
  ],
  build(b) {
    const f = feed(b);
    const pump = floatSwitch(b, sensorOf(b, 'pump')!);
    pumpPower(b, f, 1, b.station.pumps[0]!, () => pump.used, { overload: false });
    const cut = cutOff(b);
    cut.finish(alarmChain(b, f, { also: cut.also }));
  },
};

/** The switch of a condensate pump is the maker's own part: pilot or motor, its rating decides. */
const smallMotor = (station: Parameters<typeof motorThroughFloat>[0]) =>
  motorThroughFloat({ ...station, sensors: station.sensors.map((s) => ({ ...s, duty: 'motor' as const })) });
