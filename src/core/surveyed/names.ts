import { kindOf, ROLE } from '../sensors';
import { fieldAt, type FigurePath, type Station } from '../station';

/** Tables and lists, and what has no field of its own, by their paths with `*` for a place in a list. */
const NAMES: Readonly<Record<string, string>> = {
  'vessel.shape.rows': 'table of height and area',
  'vessel.shape.sections': 'sections of the vessel',
  'vessel.displacement': 'equipment in the vessel',
  'inflow.source.rows': 'the storm',
  'inflow.source.factors': 'the day’s pattern',
  'inflow.source.uses': 'list of fixtures',
  'inflow.source.list': 'list of appliances',
  'inflow.source.low': 'low inflow',
  'inflow.source.design': 'design inflow',
  'inflow.source.peak': 'peak inflow',
  'inflow.source.base': 'inflow in dry weather',
  obstacles: 'posts, pipes and ladders in the way',
  'pumps.*.curve': 'curve of the pump',
  'pumps.*.power': 'power points',
  'pumps.*.motor.powerFactor': 'power factor',
  'discharge.laterals.roughness': 'roughness of the laterals',
  'discharge.laterals.hazenWilliams': 'C of the laterals',
  'wiring.feeder.area': 'size of the feeder',
  'wiring.motor.area': 'size of the pump cable',
  'wiring.field.area': 'size of the float cable',
};

const starred = (path: string): string => path.replace(/\.\d+(?=\.|$)/g, '.*');

function ofSensor(station: Station, path: string): string {
  const [, index, field, part] = path.split('.');
  const sensor = station.sensors[Number(index)]!;
  const kind = kindOf(sensor);
  const spec = kind.fields[field!];
  const own = spec?.kind === 'part' ? spec.fields[part!] : spec;
  return `${ROLE[sensor.role].word} ${kind.noun}: ${own?.label ?? fieldAt(path as FigurePath).label}`;
}

function ofPipe(station: Station, path: string): string {
  const [, pump, , at] = /^(?:pumps\.(\d+)\.(riser)|discharge\.segments)\.(\d+)\./.exec(path)!;
  const segments = pump === undefined ? station.discharge.segments : station.pumps[Number(pump)]!.riser;
  const label = path.endsWith('.fittings') ? 'fittings' : fieldAt(path as FigurePath).label;
  const whose = pump !== undefined && station.pumps.length > 1 ? ` of pump ${Number(pump) + 1}` : '';
  return `“${segments[Number(at)]!.name}”${whose}: ${label}`;
}

/** What a figure of a station that is taken on site is called. @param path of `surveyFigures` */
export function figureName(station: Station, path: string): string {
  if (path.startsWith('sensors.')) return ofSensor(station, path);
  if (path.includes('.riser.') || path.includes('.segments.')) return ofPipe(station, path);
  const name = NAMES[starred(path)] ?? fieldAt(path as FigurePath).label;
  const pump = /^pumps\.(\d+)\./.exec(path);
  return pump && station.pumps.length > 1 ? `pump ${Number(pump[1]) + 1}: ${name}` : name;
}
