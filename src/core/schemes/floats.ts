import { kindOf, type Sensor, type SensorRole, ROLE } from '../sensors';
import type { PanelBuilder } from './panelBuilder';
import { behindBarrier } from './barrier';
import { coloursOf } from './colours';
import { CLOSED, OPEN_LEAK } from './devices';
import type { Device, Tree } from './model';

export const floatTag = (sensor: Sensor): string => `S-${sensor.id}`;

/** A sensor as switch, with the contact that is closed by it at each side. */
export interface FloatContacts {
  /** The contact that the document says is used. */
  readonly used: Tree;
  /** The other one of a changeover; null where there is none. */
  readonly other: Tree | null;
}

/**
 * The switch of a sensor, once: its common core and its contact, and for a changeover the other contact. `up` and `down` are where
 * the water last moved it.
 */
export function floatSwitch(
  b: PanelBuilder,
  sensor: Sensor,
  cable: Partial<NonNullable<Device['cable']>> = {},
): FloatContacts {
  const { station } = b;
  const tag = floatTag(sensor);
  const kind = kindOf(sensor);
  const rises = sensor.contact === 'closes-on-rise';
  const [usedPin, otherPin] = rises ? ['NO', 'NC'] : ['NC', 'NO'];
  const contact = (pin: string) => ({
    pins: ['C', pin] as const,
    sign: pin === 'NO' ? ('float' as const) : ('float-break' as const),
    part: { kind: 'impedance' as const, r: CLOSED },
    closed: [pin === 'NO' ? 'up' : 'down'],
    leak: OPEN_LEAK,
  });
  const [common, first, second] = coloursOf(station).cord;
  const out = kind.switchIn === 'pit';
  b.device({
    tag,
    function: 'float',
    description: `${kind.name}, ${sensor.changeover ? 'changeover contact' : rises ? 'closes on rise (NO hanging)' : 'opens on rise (NC hanging)'}, ${sensor.contactRating} A${sensor.duty === 'motor' ? ', motor duty' : ''}`,
    label: `${ROLE[sensor.role].word} ${kind.noun}`,
    place: out ? 'field' : 'panel',
    cost: kind.cost,
    behaviour: { kind: 'worked' },
    initial: 'down',
    positions: [
      { state: 'down', label: 'hanging' },
      { state: 'up', label: 'lifted' },
    ],
    elements: {
      [usedPin]: contact(usedPin),
      ...(sensor.changeover ? { [otherPin]: contact(otherPin) } : {}),
    } as Device['elements'],
    sensor: sensor.id,
    ...(out && {
      cable: {
        id: `W-${sensor.id}`,
        label: `cord of the ${ROLE[sensor.role].word} float`,
        length: sensor.cordLength + station.wiring.field.length,
        area: station.wiring.field.area,
        colours: { C: common, [usedPin]: first, ...(sensor.changeover ? { [otherPin]: second } : {}) },
        ...cable,
      },
    }),
  });
  const used = { leaf: `${tag}.${usedPin}` };
  if (out && station.control.parts.barrier) return behindBarrier(b, sensor, used);
  return { used, other: sensor.changeover ? { leaf: `${tag}.${otherPin}` } : null };
}

export const sensorOf = (b: PanelBuilder, role: SensorRole): Sensor | undefined =>
  b.station.sensors.find((s) => s.role === role);

/** A contact that closes when the water is at a sensor, off a relay that its contact works: one that opens as the water rises holds it in while all is well. */
export const whenWet = (b: PanelBuilder, role: SensorRole, relay: { make(): Tree; break(): Tree }): Tree =>
  sensorOf(b, role)?.contact === 'opens-on-rise' ? relay.break() : relay.make();

/** The switch of the sensor in this role; null where none is fitted. */
export function floatOf(b: PanelBuilder, role: SensorRole): FloatContacts | null {
  const sensor = sensorOf(b, role);
  return sensor ? floatSwitch(b, sensor) : null;
}
