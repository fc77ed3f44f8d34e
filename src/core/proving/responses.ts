import { isPlugged, type Device, type Panel } from '../schemes';
import type { LevelContext } from '../levels';
import type { Station } from '../station';
import { phrase, sayPhrase, type Phrase } from '../units';
import { floatsAt, happens, type Inputs } from '../wiring';
import { inTime, panelAtRest, response, sayResponse, worked, type PanelWorld, type Response } from './panelWorld';

/*
 * What the panel does when a float is lifted, water rises, a button is pressed: asked of the solved circuit of this station, never said by the
 * role of a float. Where no panel of the scheme can be made, that is said in its place.
 */

const known = new WeakMap<Station, ReturnType<typeof panelAtRest>>();

/** The panel of a station at rest, made once for all that is asked of it. */
export function restOf(station: Station): ReturnType<typeof panelAtRest> {
  const found = known.get(station) ?? panelAtRest(station);
  known.set(station, found);
  return found;
}

/** Asks the panel at rest; says why where there is none. */
function asked(station: Station, ask: (rest: PanelWorld) => Phrase): Phrase {
  const rest = restOf(station);
  if ('wired' in rest) return ask(rest);
  return phrase`cannot be told: no panel of this scheme can be drawn for it (${rest.reasons[0] ?? phrase`no scheme fits`})`;
}

const floatOf = (panel: Panel, sensor: string): string | undefined =>
  panel.devices.find((d) => d.sensor === sensor)?.tag;

/** The panel as it may be met, by whose turn it is: from new, and after one call and more. */
function byTurns(rest: PanelWorld, { sensors }: LevelContext): PanelWorld[] {
  const { panel } = rest.wired;
  if (!panel.devices.some((d) => d.function === 'alternator')) return [rest];
  const tags = sensors.flatMap(({ sensor }) => floatOf(panel, sensor.id) ?? []);
  const call = (world: PanelWorld): PanelWorld => {
    const up = tags.reduce((w, tag) => worked(w, { [tag]: 'up' }), world);
    return [...tags].reverse().reduce((w, tag) => worked(w, { [tag]: 'down' }), up);
  };
  const pumps = panel.devices.filter((d) => d.function === 'motor').length;
  return Array.from({ length: pumps - 1 }).reduce<PanelWorld[]>((all) => [...all, call(all.at(-1)!)], [rest]);
}

const PUMP_RUNS = /^pump (\d) runs$/;

/** One answer where all are alike, else what they have in common: which pump it is depends on whose turn it is. */
function oneOf(answers: readonly Response[]): Phrase {
  const [first] = answers;
  const same = (of: (r: Response) => unknown) => new Set(answers.map((r) => JSON.stringify(of(r)))).size === 1;
  if (same((r) => r)) return sayResponse(first!);
  if (answers.every((r) => r.at.length === 0 && r.later === null)) return phrase`nothing changes: what runs goes on`;
  const starts = answers.flatMap((r) =>
    r.at.length === 1 && r.later === null ? (PUMP_RUNS.exec(r.at[0]!)?.[1] ?? []) : [],
  );
  if (starts.length === answers.length) return phrase`one pump starts, whose turn it is: from new pump ${starts[0]!}`;
  const different = answers.map(sayResponse).filter((a, i, all) => all.findIndex((b) => text(b) === text(a)) === i);
  return different.slice(1).reduce<Phrase>((all, a) => phrase`${all}, or, by whose turn it is: ${a}`, different[0]!);
}

const text = (p: Phrase): string => sayPhrase(p, 'metric');

/** What lifting a float does with those below it still up, and what letting it back does then. */
export function liftOf(context: LevelContext, sensor: string): { readonly lifted: Phrase; readonly back: Phrase } {
  const { station, sensors } = context;
  const answer = (ask: (before: PanelWorld, up: PanelWorld, down: PanelWorld) => Response): Phrase =>
    asked(station, (rest) => {
      const { panel } = rest.wired;
      const tag = floatOf(panel, sensor);
      if (tag === undefined) return phrase`cannot be told: this panel has no place for it`;
      const below = sensors
        .slice(
          0,
          sensors.findIndex((s) => s.sensor.id === sensor),
        )
        .flatMap((s) => floatOf(panel, s.sensor.id) ?? []);
      return oneOf(
        byTurns(rest, context).map((world) => {
          const before = below.reduce((w, b) => worked(w, { [b]: 'up' }), world);
          const up = worked(before, { [tag]: 'up' });
          return ask(before, up, worked(up, { [tag]: 'down' }));
        }),
      );
    });
  return { lifted: answer((before, up) => response(before, up)), back: answer((_, up, down) => response(up, down)) };
}

/** The water brought past some levels in turn: floats follow it one by one. */
function through(world: PanelWorld, { sensors }: LevelContext, levels: readonly number[]): PanelWorld {
  const { devices } = world.wired.panel;
  return levels.reduce((w, level) => worked(w, floatsAt(sensors, devices, level, w.settled.states)), world);
}

const withWater = (world: PanelWorld, context: LevelContext, level: number): PanelWorld => {
  const trips = context.sensors.map((s) => s.rise).filter((l) => l < level);
  return through(world, context, [...trips.sort((a, b) => a - b).map((l) => l + 1e-9), level]);
};

const fallingTo = (world: PanelWorld, context: LevelContext, level: number): PanelWorld => {
  const trips = context.sensors.map((s) => s.fall).filter((l) => l > level);
  return through(world, context, [...trips.sort((a, b) => b - a).map((l) => l - 1e-9), level]);
};

/** What a person does to hold the pumps off, as the panel knows it: selectors at Off, or else the circuit of the pumps. */
function heldOff(station: Station, { devices }: Panel): Inputs {
  const off = (of: (d: Device) => boolean): [string, string][] =>
    devices.flatMap((d) => (of(d) && d.positions.some((p) => p.state === 'off') ? [[d.tag, 'off']] : []));
  const selectors = isPlugged(station) ? [] : off((d) => d.function === 'selector');
  const breakers = off((d) => d.function === 'breaker' && d.pump !== undefined);
  const supplies = devices.flatMap((d): [string, string][] => (d.function === 'supply' ? [[d.tag, 'cut']] : []));
  return Object.fromEntries([selectors, breakers, supplies].find((way) => way.length > 0) ?? []);
}

/** What happens as the water passes the level at which the first pump is called: from below, or from above where it is filled. */
export const atCall = (context: LevelContext): Phrase =>
  asked(context.station, (rest) =>
    oneOf(
      byTurns(rest, context).map((world) => {
        const { stop, lead } = context;
        if (lead > stop) {
          const below = withWater(world, context, (stop + lead) / 2);
          return response(below, withWater(below, context, lead + 1e-6));
        }
        const above = fallingTo(withWater(world, context, stop + 1e-6), context, (stop + lead) / 2);
        return response(above, fallingTo(above, context, lead - 1e-6));
      }),
    ),
  );

/** The panel with the water over the alarm and the pumps held off. */
function alarmed(rest: PanelWorld, context: LevelContext, rise: number): { before: PanelWorld; after: PanelWorld } {
  const held = worked(rest, heldOff(context.station, rest.wired.panel));
  const before = withWater(held, context, context.lead);
  return { before, after: withWater(before, context, rise + 1e-6) };
}

/** What happens as the water passes the alarm, the pumps held off. */
export const atAlarm = (context: LevelContext, rise: number): Phrase =>
  asked(context.station, (rest) => {
    const { before, after } = alarmed(rest, context, rise);
    return sayResponse(response(before, after));
  });

/** What pressing silence does while the alarm is up. The button is the one that quiets the horn. */
export const whenSilenced = (context: LevelContext, rise: number): Phrase =>
  asked(context.station, (rest) => {
    const { after } = alarmed(rest, context, rise);
    const { panel } = rest.wired;
    const horn = panel.outcomes.find((o) => o.kind === 'alarm');
    for (const button of panel.devices.filter((d) => d.function === 'button')) {
      const pressed = button.positions.find((p) => p.state !== button.initial);
      if (!pressed || !horn || !happens(after.settled, horn)) continue;
      const released = worked(worked(after, { [button.tag]: pressed.state }), { [button.tag]: button.initial });
      if (!happens(released.settled, horn)) return sayResponse(response(after, released));
    }
    return phrase`nothing that this panel has quiets its horn`;
  });

/** What the alarm does when its own supply is taken away while it is up. */
export const onBattery = (context: LevelContext, rise: number): Phrase =>
  asked(context.station, (rest) => {
    const { after } = alarmed(rest, context, rise);
    const feeds = rest.wired.panel.devices.filter((d) => d.function === 'alarm-supply');
    return sayResponse(response(after, worked(after, Object.fromEntries(feeds.map((d) => [d.tag, 'cut'])))));
  });

/** Which pump starts, call after call, from new. */
export const turnsOf = (context: LevelContext, calls: number): Phrase =>
  asked(context.station, (rest) => {
    const { panel } = rest.wired;
    const pumps = panel.outcomes.filter((o) => o.kind === 'pump');
    let world = rest;
    const started = Array.from({ length: calls }, () => {
      const called = withWater(world, context, context.lead + 1e-6);
      const later = pumps.some((o) => happens(called.settled, o)) ? called : (inTime(called)?.world ?? called);
      const runs = pumps.filter((o) => happens(later.settled, o)).map((o) => o.pump);
      const tags = panel.devices.flatMap((d) => (d.sensor === undefined ? [] : [d.tag]));
      world = [...tags].reverse().reduce((w, tag) => worked(w, { [tag]: 'down' }), called);
      return runs.length === 0 ? 'none' : runs.join(' and ');
    });
    return phrase`from new: pump ${started.join(', then ')}; the turn passes when a call ends`;
  });
