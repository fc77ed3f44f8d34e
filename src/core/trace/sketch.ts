import type { DutyName } from '../duties';
import { setAt, withControlFloats, withKind, withPumpCount, withRole, withScheme } from '../editing';
import { panelOf, SCHEMES } from '../schemes';
import { exampleStation } from '../starting';
import { checkStation, type Station } from '../station';
import { assumedThroughout } from '../surveyed';
import { sayPhrase, systemOf, type Profile } from '../units';

/** How big a vessel looks. */
export const SIZES = {
  narrow: 'under 1 m (3 ft) across',
  wide: '1 to 2 m (3 to 6 ft)',
  tank: 'more than that',
} as const;
/** How the floats control, as one sees it at the box. */
export const CONTROLS = {
  cord: 'a float in the pump’s cord',
  relay: 'a float on low voltage, a relay at the outlet',
  panel: 'floats at a panel with contactors',
  drive: 'a float at a drive',
  bells: 'bells or tubes at a pressure panel',
  set: 'a ready-made unit',
} as const;

/** What six taps say of a site that nobody has surveyed. */
export interface Sketch {
  readonly duty: DutyName;
  readonly size: keyof typeof SIZES;
  readonly control: keyof typeof CONTROLS;
  readonly pumps: 1 | 2 | 3;
  readonly profile: Profile;
  readonly alarm: boolean;
}

const TIMES: Readonly<Record<Sketch['size'], number>> = { narrow: 1, wide: 1.6, tank: 3 };

/** Schemes that such a control may be, the likeliest first. */
const MAY_BE = (control: Sketch['control'], pumps: number): readonly string[] =>
  ({
    cord: ['cord'],
    relay: ['relay', 'cord'],
    panel: pumps === 3 ? ['triplex', 'duplex'] : pumps === 2 ? ['duplex'] : ['doser', 'contactor'],
    drive: ['drive'],
    bells: ['bells'],
    set: ['condensate', 'cord'],
  })[control];

/** Without floats that the panel has no place for: a typical station has none. */
function withoutIdle(station: Station): Station {
  const made = panelOf(station);
  if (!made.ok) return station;
  const idle = station.sensors.filter((s) => !made.panel.devices.some((d) => d.sensor === s.id));
  const sensors = station.sensors.filter((s) => !idle.includes(s));
  return idle.length > 0 && checkStation({ ...station, sensors }).ok ? { ...station, sensors } : station;
}

/**
 * A typical station for a site that was only looked at: every figure of it assumed. What of the taps no scheme here can be drawn for is left as
 * the example of the duty has it, and said.
 */
export function sketchStation(name: string, site: string, sketch: Sketch): { station: Station; notTaken: string[] } {
  const { profile, duty, size, control, pumps, alarm } = sketch;
  const system = systemOf(profile);
  const notTaken: string[] = [];
  const tried = (before: Station, what: string, edit: (s: Station) => Station): Station => {
    const after = edit(before);
    const checked = checkStation(after);
    if (checked.ok) return after;
    notTaken.push(`${what}: ${checked.problems[0]?.message ?? 'it does not fit'}`);
    return before;
  };
  const example = exampleStation(name, site, profile, duty);
  const { shape } = example.vessel;
  const wide =
    shape.kind === 'cylinder'
      ? tried(example, SIZES[size], (s) => setAt(s, 'vessel.shape.diameter', shape.diameter * TIMES[size]))
      : example;
  const several =
    pumps === 1
      ? wide
      : tried(wide, `${pumps} pumps`, (s) =>
          (pumps === 3 ? (['lag', 'lag2'] as const) : (['lag'] as const)).reduce(
            (now, role) => withRole(now, role, true, system),
            withControlFloats(withPumpCount(s, pumps), 'two', system),
          ),
        );
  const hung =
    control === 'bells'
      ? tried(several, CONTROLS.bells, (s) => s.sensors.reduce((now, { id }) => withKind(now, id, 'bell', system), s))
      : several;
  const rung = tried(hung, alarm ? 'an alarm' : 'no alarm', (s) => withRole(s, 'alarm', alarm, system));
  const drawable = (s: Station): boolean => panelOf(s).ok;
  const wished = MAY_BE(control, pumps).map((id) => withScheme(rung, id));
  const drawn = wished.find(drawable);
  if (drawn) return { station: assumedThroughout(withoutIdle(drawn)), notTaken };
  const made = panelOf(wished[0]!);
  const why = made.ok || !made.reasons[0] ? 'it does not fit' : sayPhrase(made.reasons[0], system);
  notTaken.push(`${CONTROLS[control]}: ${why}`);
  const others = [rung, ...SCHEMES.map(({ id }) => withScheme(rung, id)), several, wide];
  return { station: assumedThroughout(withoutIdle(others.find(drawable) ?? example)), notTaken };
}
