import type { Sign } from '../../schemes';

/** Size of the place that one element takes, and where its wire runs in it. */
export const CELL = { width: 66, height: 52, wire: 28 } as const;

/** A stroke of a symbol; `filled` ones are filled as well. */
export interface Stroke {
  readonly d: string;
  readonly filled?: boolean;
}

/** Half of the gap that a symbol takes in its wire. */
export const HALF = 15;

const CONTACTS: ReadonlySet<Sign> = new Set([
  'make',
  'break',
  'float',
  'float-break',
  'button',
  'button-break',
  'selector',
  'breaker',
  'overload',
]);
const RESTS_CLOSED: ReadonlySet<Sign> = new Set(['break', 'float-break', 'button-break']);

/**
 * A contact of ours: two eyes and a blade between them. Closed, the blade lies and the eyes are filled; open, it stands off and they are
 * empty. A bar at its end says that it rests closed. On top: a lozenge is a float, a T a button, a ring a selector, a cross a breaker.
 */
function contact(sign: Sign, x: number, y: number, closed: boolean): Stroke[] {
  const eye = (cx: number) => `M${cx - 3} ${y} a3 3 0 1 0 6 0 a3 3 0 1 0 -6 0 Z`;
  const [left, right] = [x - HALF + 3, x + HALF - 3];
  const tip = closed ? y : y - 10;
  const middle = (y + tip) / 2;
  const strokes: Stroke[] = [
    { d: eye(left), filled: closed },
    { d: eye(right), filled: closed },
    { d: `M${left + 2} ${y} L${right - (closed ? 2 : 4)} ${tip}` },
  ];
  if (RESTS_CLOSED.has(sign)) strokes.push({ d: `M${right} ${y - 3} v-9` });
  const top = middle - 1;
  switch (sign) {
    case 'float':
    case 'float-break':
      strokes.push({ d: `M${x} ${top} V${y - 12}` }, { d: `M${x - 7} ${y - 15} l7 -4 l7 4 l-7 4 Z`, filled: true });
      break;
    case 'button':
    case 'button-break':
      strokes.push({ d: `M${x} ${top} V${y - 15} M${x - 6} ${y - 15} h12` });
      break;
    case 'selector':
      strokes.push({ d: `M${x} ${top} V${y - 12}` }, { d: `M${x - 4} ${y - 16} a4 4 0 1 0 8 0 a4 4 0 1 0 -8 0 Z` });
      break;
    case 'breaker':
      strokes.push({ d: `M${x - 3} ${middle - 3} l6 6 m0 -6 l-6 6` });
      break;
  }
  return strokes;
}

const circle = (x: number, y: number, r: number) =>
  `M${x - r} ${y} a${r} ${r} 0 1 0 ${2 * r} 0 a${r} ${r} 0 1 0 ${-2 * r} 0 Z`;
const box = (x: number, y: number, w: number, h: number) => `M${x - w} ${y - h} h${2 * w} v${2 * h} h${-2 * w} Z`;

/** The symbol of an element centred at x on its wire at y; `on` is closed for a contact, energised for a load. */
export function symbol(sign: Sign, x: number, y: number, on: boolean): Stroke[] {
  if (CONTACTS.has(sign) && sign !== 'overload') return contact(sign, x, y, on);
  switch (sign) {
    case 'overload':
      return [{ d: `M${x - HALF} ${y} h6 v-6 h9 v6 h15` }];
    case 'fuse':
      return [{ d: box(x, y, 11, 5) }, { d: `M${x - HALF} ${y} h${2 * HALF}` }];
    case 'solid':
      return [{ d: box(x, y, 12, 9), filled: on }, { d: `M${x - 5} ${y + 5} v-10 l10 5 Z` }];
    case 'coil':
      return [{ d: box(x, y, 13, 8), filled: on }];
    case 'timer':
      return [{ d: box(x, y, 13, 8), filled: on }, { d: `M${x - 4} ${y - 5} h8 l-8 10 h8 Z` }];
    case 'motor':
      return [{ d: circle(x, y, 13), filled: on }, { d: `M${x - 5} ${y + 5} v-10 l5 6 l5 -6 v10` }];
    case 'lamp':
      return [{ d: circle(x, y, 10), filled: on }, { d: `M${x - 7} ${y - 7} l14 14 m0 -14 l-14 14` }];
    case 'horn':
      return [{ d: `M${x - HALF} ${y - 4} h8 l14 -7 v22 l-14 -7 h-8 Z`, filled: on }];
    case 'counter':
      return [{ d: box(x, y, 13, 8), filled: on }, { d: `M${x - 4} ${y - 8} v16 M${x + 4} ${y - 8} v16` }];
    case 'input':
      return [{ d: box(x, y, 12, 8), filled: on }, { d: `M${x - 6} ${y} h10 m-4 -4 l4 4 l-4 4` }];
    case 'winding':
      return [{ d: `M${x - HALF} ${y} a5 5 0 0 1 10 0 a5 5 0 0 1 10 0 a5 5 0 0 1 10 0` }];
    case 'source':
      return [{ d: circle(x, y, 10) }, { d: `M${x - 5} ${y - 2} h10 M${x - 5} ${y + 3} h3 m4 0 h3` }];
    case 'cell':
      return [{ d: `M${x - 4} ${y - 9} v18 M${x + 4} ${y - 5} v10 M${x - HALF} ${y} h11 M${x + 4} ${y} h11` }];
    case 'capacitor':
      return [{ d: `M${x - 3} ${y - 10} v20 M${x + 3} ${y - 10} v20 M${x - HALF} ${y} h12 M${x + 3} ${y} h12` }];
    case 'valve':
      return [{ d: `M${x - 12} ${y - 8} L${x + 12} ${y + 8} V${y - 8} L${x - 12} ${y + 8} Z`, filled: on }];
    case 'surge':
      return [{ d: box(x, y, 11, 6) }, { d: `M${x - 5} ${y + 4} L${x + 5} ${y - 4}` }];
    case 'heater':
      return [
        { d: box(x, y, 13, 7), filled: on },
        { d: `M${x - 4} ${y - 7} v14 M${x + 4} ${y - 7} v14 M${x - 9} ${y - 7} v14` },
      ];
    default:
      return [];
  }
}

/** What shows an element’s state as energised rather than closed. */
export const isLoad = (sign: Sign): boolean =>
  ['coil', 'timer', 'motor', 'lamp', 'horn', 'counter', 'input', 'heater', 'valve'].includes(sign);
