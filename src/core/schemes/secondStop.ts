import { traitsOf } from '../duties';
import { relay } from './devices';
import { floatSwitch, sensorOf } from './floats';
import type { Tree } from './model';
import type { PanelBuilder } from './panelBuilder';
import type { Control } from './wires';

/** The second float that stops the filling of a tank, in series with the first: a contact for each asking, open when the water is there. */
export function secondStop(b: PanelBuilder, { id, hot, back, ...power }: Control): () => Tree[] {
  const sensor = sensorOf(b, 'cutoff');
  if (!sensor || traitsOf(b.station).direction !== 'fill') return () => [];
  const contacts = floatSwitch(b, sensor);
  const opens = sensor.contact === 'opens-on-rise' ? contacts.used : contacts.other;
  if (opens && b.station.pumps.length === 1) return () => [opens];
  const label = opens ? 'water is below the second stop' : 'water is at the second stop';
  const k = relay(b, 'K6S', label, power);
  b.rung(label, id, hot, [opens ?? contacts.used, k.coil], back);
  return () => [opens ? k.make() : k.break()];
}
