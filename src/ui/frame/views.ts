/**
 * The views of a station: tabs, keys, the go-to list and the help follow from this. A view more is an entry here and its page at that address
 * under `app/stations/[id]`.
 */
export interface View {
  /** Last part of its address. */
  readonly path: string;
  readonly name: string;
  /** Pressed after `g`. */
  readonly key: string;
  /** Its pages are looked up one by one: the server draws them, and says where there is none. */
  readonly byServer?: true;
  /** Keys that work in it, and what they do. */
  readonly keys?: readonly (readonly [keys: string, what: string])[];
}

export const VIEWS: readonly View[] = [
  { path: 'survey', name: 'Survey', key: 's' },
  {
    path: 'levels',
    name: 'Levels',
    key: 'l',
    keys: [
      ['↑ ↓ on a float', 'move it by one mark of the tape; Shift: ten'],
      ['← → on a float', 'shorter or longer tether; Shift: ten'],
      ['↑ ↓ on the water', 'lower or raise the water'],
    ],
  },
  {
    path: 'panel',
    name: 'Panel',
    key: 'n',
    keys: [
      ['m', 'the meter, red probe in hand'],
      ['Space or Enter', 'works a switch or float; asks a coil why'],
    ],
  },
  {
    path: 'rehearse',
    name: 'Rehearse',
    key: 'h',
    keys: [
      ['Space', 'plays and holds'],
      ['+ − ← → on the time axis', 'closer, wider, the cursor; Shift: ten steps'],
    ],
  },
  { path: 'prove', name: 'Prove', key: 'p', byServer: true },
  { path: 'trace', name: 'Trace', key: 't' },
  { path: 'book', name: 'Book', key: 'b', byServer: true },
  { path: 'drill', name: 'Drill', key: 'i' },
  { path: 'card', name: 'Door card', key: 'd' },
];

/** Where a station is opened. */
export const FIRST_VIEW = 'levels';

export const viewAt = (pathname: string, id: number): View | undefined =>
  VIEWS.find((v) => pathname.startsWith(`/stations/${id}/${v.path}`));
