import type { Interlock, Station } from '../station';

/** The station wired by another scheme. Choices and landings of the one before are kept: nothing that was found is lost. */
export const withScheme = (station: Station, scheme: string): Station =>
  station.control.scheme === scheme ? station : { ...station, control: { ...station.control, scheme } };

export const withOption = (station: Station, option: string, choice: string): Station => ({
  ...station,
  control: { ...station.control, options: { ...station.control.options, [option]: choice } },
});

/** One core put on a terminal, or left loose (null). Put where the design has it, nothing is recorded. */
export function withCore(station: Station, core: { id: string; terminal: string | null }, to: string | null): Station {
  const others = station.landings.cores.filter((c) => c.core !== core.id);
  return {
    ...station,
    landings: { ...station.landings, cores: to === core.terminal ? others : [...others, { core: core.id, to }] },
  };
}

const joins = (l: { a: string; b: string }, a: string, b: string) =>
  (l.a === a && l.b === b) || (l.a === b && l.b === a);

/** A link fitted or taken out. `designed`: whether the design has it. */
export function withLink(station: Station, a: string, b: string, fitted: boolean, designed: boolean): Station {
  if (a === b) return station;
  const others = station.landings.links.filter((l) => !joins(l, a, b));
  return {
    ...station,
    landings: { ...station.landings, links: fitted === designed ? others : [...others, { a, b, fitted }] },
  };
}

/** Everything landed as the design has it; what belongs to no core of this panel is dropped too. */
export const landedByDesign = (station: Station): Station => ({ ...station, landings: { cores: [], links: [] } });

const FIRST: Readonly<Record<Interlock['kind'], Interlock>> = {
  cutoff: { kind: 'cutoff', name: 'what makes the water', acts: 'low-voltage', volts: 24, amps: 0.5, warns: true },
  'may-fill': { kind: 'may-fill', name: 'the tank it fills' },
  full: { kind: 'full', name: 'the pump that fills it' },
  standby: { kind: 'standby', name: 'standby pump', on: 'high' },
  'external-stop': { kind: 'external-stop', name: 'outside stop' },
};

export const addInterlock = (station: Station, kind: Interlock['kind']): Station => ({
  ...station,
  interlocks: [...station.interlocks, FIRST[kind]],
});
export const removeInterlock = (station: Station, at: number): Station => ({
  ...station,
  interlocks: station.interlocks.filter((_, i) => i !== at),
});
