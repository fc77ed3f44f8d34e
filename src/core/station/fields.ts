import { OVERLOAD_CLASSES } from '../circuit';
import { DUTIES } from '../duties';
import { KINDS, type KindName } from '../sensors';
import { SETTINGS, type Setting } from '../settings';
import type { Format } from '../units';
import type { Station } from './schema';

/*
 * What every field of the document is called where it is typed. Settings, and what belongs to one duty or one kind of sensor, are called by
 * their own tables; all else is named here once. A path that is not in the document does not compile.
 */

interface Named {
  readonly label: string;
  readonly hint?: string;
}
interface FigureField extends Named {
  readonly kind: 'figure';
  readonly format: Format;
}
interface WordsField extends Named {
  readonly kind: 'words';
}
interface FlagField extends Named {
  readonly kind: 'flag';
}
interface ChoiceField extends Named {
  readonly kind: 'choice';
  readonly choices: readonly (readonly [value: string | number, words: string])[];
}
export type Field = FigureField | WordsField | FlagField | ChoiceField;

const figure = (label: string, format: Format, hint?: string): FigureField => ({ kind: 'figure', label, format, hint });
const words = (label: string, hint?: string): WordsField => ({ kind: 'words', label, hint });
const flag = (label: string): FlagField => ({ kind: 'flag', label });
const choice = (
  label: string,
  choices: readonly (readonly [string | number, string])[],
  hint?: string,
): ChoiceField => ({ kind: 'choice', label, choices, hint });

/** Dotted paths into a document, with `*` for a place in a list. */
type PathsOf<T> = T extends readonly (infer U)[]
  ? '*' | `*.${PathsOf<U>}`
  : T extends object
    ? { [K in keyof T & string]: K | `${K}.${PathsOf<NonNullable<T[K]>>}` }[keyof T & string]
    : never;

/** Every field of a segment of pipe is called the same wherever the pipe is. */
const SEGMENT = {
  name: words('length'),
  length: figure('pipe length', 'distance'),
  bore: figure('bore', 'bore', 'inside'),
  roughness: figure('roughness', 'roughness'),
  hazenWilliams: figure('C', 'count', 'Hazen–Williams'),
  wall: figure('wall', 'bore', 'empty: typical'),
  'fittings.*.name': words('fitting'),
  'fittings.*.k': figure('K each', 'factor'),
  'fittings.*.count': figure('how many', 'count'),
} as const;

const under = <const P extends string, const F extends Readonly<Record<string, Field>>>(prefix: P, fields: F) =>
  Object.fromEntries(Object.entries(fields).map(([k, v]) => [`${prefix}.${k}`, v])) as {
    [K in keyof F & string as `${P}.${K}`]: F[K];
  };

const settings = Object.fromEntries(
  Object.entries<Setting>(SETTINGS).map(([name, setting]) => [`settings.${name}`, setting]),
) as unknown as { [K in keyof typeof SETTINGS & string as `settings.${K}`]: (typeof SETTINGS)[K] };

const FIELDS = {
  ...settings,
  'identity.name': words('name of the station'),
  'identity.site': words('site'),
  'identity.contact': words('whom to call when the alarm acts', 'stands on the door card'),
  'identity.note': words('note'),
  profile: choice(
    'profile',
    [
      ['metric-230', '230 V 50 Hz, mm'],
      ['us-120', '120 V 60 Hz, in'],
    ],
    'supply and units',
  ),
  'duty.kind': choice(
    'duty',
    Object.values(DUTIES).map((d) => [d.kind, d.picks]),
  ),
  'vessel.shape.kind': choice('shape', [
    ['cylinder', 'round, upright'],
    ['box', 'box'],
    ['frustum', 'round, tapered'],
    ['lying', 'cylinder lying on its side'],
    ['stacked', 'sections on one another'],
    ['table', 'table of height and area'],
  ]),
  'vessel.shape.diameter': figure('diameter', 'height', 'inside'),
  'vessel.shape.depth': figure('depth', 'height', 'floor to rim'),
  'vessel.shape.length': figure('length', 'height', 'inside'),
  'vessel.shape.width': figure('width', 'height', 'inside'),
  'vessel.shape.bottomDiameter': figure('diameter at the floor', 'height', 'inside'),
  'vessel.shape.topDiameter': figure('diameter at the rim', 'height', 'inside'),
  'vessel.shape.sections.*.diameter': figure('diameter', 'height'),
  'vessel.shape.sections.*.length': figure('length', 'height'),
  'vessel.shape.sections.*.width': figure('width', 'height'),
  'vessel.shape.sections.*.depth': figure('height', 'height', 'its own'),
  'vessel.shape.rows.*.height': figure('at height', 'height'),
  'vessel.shape.rows.*.area': figure('area', 'area'),
  'vessel.displacement.*.name': words('equipment'),
  'vessel.displacement.*.volume': figure('takes up', 'volume'),
  'vessel.displacement.*.from': figure('from', 'height'),
  'vessel.displacement.*.to': figure('to', 'height'),
  'vessel.inletInvert': figure('inlet invert', 'height', 'floor up'),
  'vessel.overflow': figure('overflow', 'height', 'floor up'),
  'vessel.inletStream.bearing': figure('falls at', 'angle'),
  'vessel.inletStream.offset': figure('falls, from the axis', 'height'),
  'vessel.inletStream.diameter': figure('stream, across', 'height'),
  'obstacles.*.name': words('post or pipe'),
  'obstacles.*.bearing': figure('at', 'angle'),
  'obstacles.*.offset': figure('from the axis', 'height'),
  'obstacles.*.diameter': figure('across', 'height'),
  'obstacles.*.width': figure('wide', 'height'),
  'obstacles.*.facing': figure('its face looks to', 'angle'),
  'obstacles.*.from': figure('from, floor up', 'height'),
  'obstacles.*.to': figure('to, floor up', 'height'),
  'pole.bearing': figure('pole at', 'angle', 'from the mark on the rim'),
  'pole.offset': figure('pole, from the axis', 'height'),
  'pole.diameter': figure('pole, across', 'height'),
  'inflow.source.kind': choice('told as', [
    ['steady', 'three steady flows'],
    ['pattern', 'a 24-hour pattern'],
    ['fixtures', 'a list of fixtures'],
    ['storm', 'a storm'],
    ['appliances', 'appliances that make condensate'],
  ]),
  'inflow.source.low': figure('low', 'flow'),
  'inflow.source.design': figure('design', 'flow'),
  'inflow.source.peak': figure('peak', 'flow'),
  'inflow.source.mean': figure('mean of the day', 'flow'),
  'inflow.source.factors.*': figure('h', 'factor'),
  'inflow.source.base': figure('in dry weather', 'flow'),
  'inflow.source.rows.*.time': figure('time', 'minutes'),
  'inflow.source.rows.*.flow': figure('flow at', 'flow'),
  'inflow.source.uses.*.name': words('fixture'),
  'inflow.source.uses.*.volume': figure('each use', 'volume'),
  'inflow.source.uses.*.flow': figure('flow', 'flow'),
  'inflow.source.uses.*.perDay': figure('uses a day', 'count'),
  'inflow.source.uses.*.atOnce': figure('at once', 'count'),
  'inflow.source.hours': figure('hours of use', 'count', 'of the day'),
  'inflow.source.list.*.name': words('appliance'),
  'inflow.source.list.*.rate': figure('makes', 'drip'),
  'inflow.source.list.*.after': figure('sheds after its stop', 'volume'),
  'inflow.source.list.*.over': figure('over', 'time', 'empty: at its rate'),
  'inflow.inletPipe.length': figure('inlet pipe', 'distance', 'its length'),
  'inflow.inletPipe.bore': figure('its bore', 'bore'),
  'inflow.inletPipe.fall': figure('its fall', 'share', 'towards the pit'),
  'inflow.infiltration': figure('rain seeps in', 'flow', 'added to design and peak'),
  'pumps.*.name': words('name'),
  'pumps.*.intake': figure('intake', 'height', 'floor up'),
  'pumps.*.volute': figure('top of volute', 'height', 'floor up'),
  'pumps.*.motorTop': figure('top of motor', 'height', 'floor up'),
  'pumps.*.startsPerHour': figure('starts limit', 'rate'),
  'pumps.*.minimumRun': figure('minimum run', 'time'),
  'pumps.*.ratedCurrent': figure('rated current', 'current'),
  'pumps.*.headShare': figure('head, at most', 'share', 'of shut-off'),
  'pumps.*.diameter': figure('width of the pump', 'height'),
  'pumps.*.bell': figure('intake opening', 'height', 'across; empty: assumed'),
  'pumps.*.minimumFlow': figure('least flow', 'flow', 'empty: assumed'),
  'pumps.*.power.*.flow': figure('at flow', 'flow'),
  'pumps.*.power.*.power': figure('input', 'power'),
  'pumps.*.bearing': figure('stands at', 'angle', 'from the mark'),
  'pumps.*.offset': figure('from the axis', 'height'),
  'pumps.*.riserBearing': figure('riser at', 'angle'),
  'pumps.*.riserOffset': figure('riser, from the axis', 'height'),
  'pumps.*.curve.*.flow': figure('flow', 'flow'),
  'pumps.*.curve.*.head': figure('head', 'head'),
  'pumps.*.motor.starting': figure('starts at, times', 'factor', 'of its rated current'),
  'pumps.*.motor.winding': figure('winding', 'resistance', 'of a phase, or the main one; empty: typical'),
  'pumps.*.motor.auxiliary': figure('auxiliary winding', 'resistance', 'empty: typical'),
  'pumps.*.motor.capacitor': figure('capacitor', 'capacitance', 'empty: typical'),
  'pumps.*.motor.begins': choice('begins to turn by', [
    ['start-capacitor', 'a start capacitor, switched off when it turns'],
    ['run-capacitor', 'a run capacitor that stays'],
  ]),
  'pumps.*.motor.gear': choice('start gear', [
    ['in-pump', 'in the pump'],
    ['in-panel', 'in a box at the panel, three cores'],
  ]),
  'pumps.*.motor.overloadClass': choice(
    'overload class',
    OVERLOAD_CLASSES.map((c) => [c, `class ${c}`] as const),
  ),
  ...under('pumps.*.riser.*', SEGMENT),
  ...under('discharge.segments.*', SEGMENT),
  'discharge.outlet': figure('outlet height', 'head', 'above the floor of the pit'),
  'discharge.rating': figure('pressure rating', 'pressure', 'of the line; empty: not known'),
  'discharge.exposed': figure('in the open', 'distance', 'can freeze'),
  'discharge.checkValve.pipeBefore': figure('pipe before the check valve', 'distance', 'it drains back at every stop'),
  'discharge.weepHole.diameter': figure('weep hole, diameter', 'bore'),
  'discharge.weepHole.height': figure('weep hole, floor up', 'height'),
  'discharge.highPoint.height': figure('high point', 'head', 'above the floor of the pit'),
  'discharge.highPoint.along': figure('pipe up to it', 'distance'),
  'discharge.highPoint.vented': flag('vented there: no siphon pulls beyond it'),
  'discharge.laterals.count': figure('laterals', 'count', 'all alike'),
  'discharge.laterals.length': figure('length of a lateral', 'distance'),
  'discharge.laterals.bore': figure('bore of a lateral', 'bore'),
  'discharge.laterals.orifices': figure('orifices on each', 'count', 'evenly spaced'),
  'discharge.laterals.orifice': figure('orifice', 'bore', 'diameter'),
  'discharge.laterals.coefficient': figure('orifice Cd', 'factor'),
  'discharge.laterals.squirt': figure('jet wanted', 'height', 'at the last orifice'),
  'sensors.*.kind': choice(
    'kind',
    (Object.keys(KINDS) as KindName[]).map((k) => [k, KINDS[k].picks]),
  ),
  'sensors.*.contact': choice('contact', [
    ['closes-on-rise', 'closes on rise (NO hanging)'],
    ['opens-on-rise', 'opens on rise (NC hanging)'],
  ]),
  'sensors.*.duty': choice('contact duty', [
    ['motor', 'carries the motor'],
    ['control', 'pilot duty only'],
  ]),
  'sensors.*.contactRating': figure('contact rating', 'current'),
  'sensors.*.changeover': flag('changeover contact: the spare core is capped'),
  'sensors.*.cordLength': figure('cord', 'distance'),
  'sensors.*.place.bearing': figure('faces', 'angle', 'from the mark'),
  'sensors.*.place.offset': figure('from the axis', 'height'),
  'sensors.*.place.facing': figure('faces', 'angle'),
  cordRun: figure('rim to plug or splice', 'distance', 'cord needed outside the pit'),
  'control.alternates': flag('the pumps take turns'),
  'control.floats': choice('float of the last pump', [
    ['four', 'of its own, link out'],
    ['three', 'the alarm float calls it, with the link'],
  ]),
  'control.parts.extraLow': choice('control at', [
    ['no', 'the mains'],
    ['ac', '24 V alternating, by a transformer'],
    ['dc', '24 V direct, by a supply'],
  ]),
  'control.parts.sealProbe': choice('seal probe', [
    ['none', 'none'],
    ['alarm', 'rings'],
    ['stop', 'rings and stops the pump'],
  ]),
  'control.parts.motorThermal': choice('motor thermal contact', [
    ['none', 'none in the cord'],
    ['returns', 'stops it until it has cooled'],
    ['latches', 'stops it until it is reset'],
  ]),
  'control.parts.phaseMonitor': flag('phase monitor: order and loss'),
  'control.parts.stagger': figure('after a power cut wait', 'time', 'pump 1; pump 2 twice as long, and so on'),
  'control.parts.barrier.voltage': figure('barrier, open', 'voltage', 'Uo, off its plate'),
  'control.parts.barrier.current': figure('barrier, shorted', 'leak', 'Io'),
  'control.parts.barrier.capacitance': figure('capacitance allowed', 'capacitance', 'Co'),
  'control.parts.barrier.inductance': figure('inductance allowed', 'inductance', 'Lo'),
  'control.parts.heater': figure('panel heater', 'power'),
  'control.parts.surge': flag('surge arrester'),
  'control.parts.generator': choice('transfer to a generator', [
    ['none', 'none'],
    ['neutral-switched', 'its neutral earthed at it: all poles switched'],
    ['neutral-solid', 'neutral of the supply kept: lines alone switched'],
  ]),
  'alarm.faults': flag('faults of motors and drive alarm too'),
  'alarm.powerFail': flag('lost pump power alarms too'),
  'alarm.runContact': flag('pump-run contacts, dry'),
  'alarm.faultContact': flag('fault contact, closed when healthy'),
  'alarm.powerFailContact': flag('power contact, closed when healthy'),
  'alarm.horn': flag('horn'),
  'alarm.lamp': flag('lamp'),
  'alarm.silence': flag('silence button: horn off, lamp stays'),
  'alarm.latch': flag('latches until it is reset'),
  'alarm.test': flag('test button'),
  'alarm.low': flag('low level alarms too'),
  'alarm.battery': flag('battery'),
  'alarm.remoteContact': flag('remote contact, dry'),
  'alarm.ownSupply': flag('a supply of its own'),
  'alarm.place': words('where the alarm is heard and seen'),
  'supply.source': choice('supply', [
    ['single', 'line and neutral'],
    ['split', 'two legs and neutral'],
    ['three', 'three legs and neutral'],
  ]),
  'supply.voltage': figure('voltage', 'voltage'),
  'supply.frequency': choice('frequency', [
    [50, '50 Hz'],
    [60, '60 Hz'],
  ]),
  'supply.breaker': figure('breaker', 'current'),
  'supply.feederBreaker': figure('breaker at the board', 'current', 'guards the feeder'),
  'supply.breakerTrips': figure('opens at once at, times', 'factor', 'read it off the breaker'),
  'supply.residualCurrent': flag('residual-current (ground-fault) protection on the pump'),
  'supply.loop': figure('loop at the board', 'resistance', 'as measured or told'),
  'wiring.feeder.length': figure('feeder, one way', 'distance'),
  'wiring.feeder.carries': figure('feeder carries', 'current', 'typical; your code governs'),
  'wiring.motor.length': figure('pump cable, one way', 'distance'),
  'wiring.motor.carries': figure('pump cable carries', 'current', 'typical; your code governs'),
  'wiring.field.length': figure('float cable to the splice', 'distance'),
  'wiring.warmest': figure('conductors at', 'temperature'),
  'wiring.dropRunning': figure('drop let pass, running', 'share'),
  'wiring.dropStarting': figure('drop let pass, starting', 'share'),
  'wiring.copper.source': words('figures by', 'the code, the engineer, the cable’s maker'),
  'wiring.copper.hottest': figure('conductor of the table', 'temperature'),
  'wiring.copper.rows.*.carries': figure('carries', 'current'),
  'wiring.supplyBudget': figure('drive’s own supply gives', 'leak'),
  'interlocks.*.name': words('with'),
  'interlocks.*.on': choice('started by', [
    ['high', 'high water'],
    ['power', 'lost power'],
    ['either', 'either'],
  ]),
  'interlocks.*.acts': choice('breaks', [
    ['low-voltage', 'its low-voltage call'],
    ['live', 'its live feed'],
  ]),
  'interlocks.*.volts': figure('at', 'voltage'),
  'interlocks.*.amps': figure('carrying', 'current'),
  'interlocks.*.warns': flag('alarms too'),
  'enclosure.place': choice('panel', [
    ['indoors', 'indoors'],
    ['outdoors', 'outdoors'],
    ['in-the-pit', 'in the pit'],
  ]),
  'enclosure.conduit': choice('conduit from the pit', [
    ['none', 'none: cords in free air'],
    ['sealed', 'sealed'],
    ['broken', 'broken in the open air'],
    ['straight', 'straight into the box'],
  ]),
  'enclosure.splices': choice('splices', [
    ['none', 'none'],
    ['above-flood', 'above flood'],
    ['below-flood-sealed', 'below flood, sealed'],
    ['below-flood', 'below flood'],
  ]),
  'enclosure.dripLoops': flag('drip loops'),
  'enclosure.glands': flag('a grip for every cord'),
  'enclosure.lockable': flag('lid and disconnect lock'),
} as const satisfies Partial<Record<PathsOf<Station>, Field>>;

/** `pumps.*.intake` as `pumps.${number}.intake`. */
type Placed<K extends string> = K extends `${infer A}*${infer B}` ? `${A}${number}${Placed<B>}` : K;
type KeysOf<Kind> = {
  [K in keyof typeof FIELDS]: (typeof FIELDS)[K]['kind'] extends Kind ? K : never;
}[keyof typeof FIELDS];

/** Paths of the fields that have a name, by what is typed in them. */
export type FigurePath = Placed<KeysOf<'figure'>>;
export type WordsPath = Placed<KeysOf<'words'>>;
export type FlagPath = Placed<KeysOf<'flag'>>;
export type ChoicePath = Placed<KeysOf<'choice'>>;

type FieldAt = {
  (path: FigurePath): FigureField;
  (path: WordsPath): WordsField;
  (path: FlagPath): FlagField;
  (path: ChoicePath): ChoiceField;
  (path: FigurePath | WordsPath | FlagPath | ChoicePath): Field;
};

/** What a field of the document is called and how it is written. */
export const fieldAt = ((path: string): Field =>
  (FIELDS as Readonly<Record<string, Field>>)[path.replace(/\.\d+(?=\.|$)/g, '.*')]!) as FieldAt;

/** Every path of the document, with places in lists as numbers: what an edit may set. */
export type DocumentPath = Placed<PathsOf<Station>>;

/** The names of all fields, for whoever lists them. */
export const namedFields = (): readonly (readonly [path: string, field: Field])[] => Object.entries<Field>(FIELDS);
