import type { Station } from '../station';

/** Colours of conductors by profile. Typical of where the profile is at home; the local code decides, and what is found may be older. */
export interface Colours {
  readonly lines: readonly [string, string, string];
  readonly neutral: string;
  readonly earth: string;
  /** Control wires in the panel, by kind of current. */
  readonly control: { readonly ac: string; readonly dc: string };
  /** Cores of a float's cord: common, its contact, and the other contact of a changeover. */
  readonly cord: readonly [string, string, string];
}

const COLOURS: Readonly<Record<Station['profile'], Colours>> = {
  'metric-230': {
    lines: ['brown', 'black', 'grey'],
    neutral: 'blue',
    earth: 'green-yellow',
    control: { ac: 'red', dc: 'dark blue' },
    cord: ['brown', 'black', 'grey'],
  },
  'us-120': {
    lines: ['black', 'red', 'blue'],
    neutral: 'white',
    earth: 'green',
    control: { ac: 'red', dc: 'blue' },
    cord: ['black', 'white', 'red'],
  },
};

export const coloursOf = (station: Station): Colours => COLOURS[station.profile];
