import type { Station } from '../station';

/** Colours of conductors by profile. Typical of where the profile is at home; the local code decides, and what is found may be older. */
export interface Colours {
  readonly lines: readonly [string, string, string];
  readonly neutral: string;
  readonly earth: string;
  /** Control wires in the panel at the voltage of the mains; of extra-low voltage, by kind of current; and of what others keep live. */
  readonly control: string;
  readonly low: { readonly ac: string; readonly dc: string };
  readonly others: string;
  /** Wires of intrinsically safe circuits (IEC 60079-11, 6.2.1: light blue). */
  readonly safe: string;
  /** Cores of what a pump's cord brings beside its windings: probe of the seal, thermal contacts. */
  readonly sensors: readonly [string, string, string, string];
  /** Cores of a float's cord: common, its contact, and the other contact of a changeover. */
  readonly cord: readonly [string, string, string];
}

const COLOURS: Readonly<Record<Station['profile'], Colours>> = {
  'metric-230': {
    lines: ['brown', 'black', 'grey'],
    neutral: 'blue',
    earth: 'green-yellow',
    control: 'red',
    low: { ac: 'violet', dc: 'dark blue' },
    others: 'orange',
    safe: 'light blue',
    sensors: ['violet', 'pink', 'white', 'yellow'],
    cord: ['brown', 'black', 'grey'],
  },
  'us-120': {
    lines: ['black', 'red', 'blue'],
    neutral: 'white',
    earth: 'green',
    control: 'red',
    low: { ac: 'violet', dc: 'dark blue' },
    others: 'orange',
    safe: 'light blue',
    sensors: ['violet', 'pink', 'brown', 'yellow'],
    cord: ['black', 'white', 'red'],
  },
};

export const coloursOf = (station: Station): Colours => COLOURS[station.profile];
