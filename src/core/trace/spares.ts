import type { Device, Panel } from '../schemes';

/** A part that the book keeps: fitted at this station, or on a shelf of the firm. */
export interface KeptPart {
  readonly name: string;
  /** A device of the panel or a pump, in the words of the book. */
  readonly place: string;
  readonly state: 'fitted' | 'on the shelf';
  /** Since when, as a date; and which one it is. */
  readonly since: string;
  readonly serial: string;
  readonly warrantyTo: string | null;
  /** How much of its life has gone, and by which measure; null where nobody said how long it lasts. */
  readonly gone: { readonly share: number; readonly by: string } | null;
  /** The station whose book keeps it; null: this one. */
  readonly at: string | null;
}

/** Whether a place in the words of the book is where a device sits: it names its tag, or the pump whose motor it is. */
export function isAt(place: string, device: Pick<Device, 'tag' | 'function' | 'pump'>): boolean {
  if (place.split(/[^\p{L}\p{N}-]+/u).includes(device.tag)) return true;
  const pump = /pump (\d+)/i.exec(place)?.[1] ?? (/\bthe pump\b/i.test(place) ? '1' : null);
  const names = /^(the )?pump( \d+)?$/i.test(place.trim());
  return names && device.function === 'motor' && String(device.pump ?? 1) === (pump ?? '1');
}

const wordsIn = (text: string): ReadonlySet<string> =>
  new Set(
    text
      .toLowerCase()
      .split(/[^\p{L}\p{N}]+/u)
      .filter((w) => w.length > 3)
      .map((w) => w.replace(/s$/, '')),
  );

const shared = (name: string, description: string): number => {
  const asked = wordsIn(description);
  return [...wordsIn(name)].filter((w) => asked.has(w)).length;
};

/**
 * The device that a fitted part is: by its place; where that names none, the one whose description its name shares most words with, if it is one
 * alone. Of a place that names a pump only what is of that pump is asked: what the station does not have is none of it.
 */
export function deviceOf(devices: Panel['devices'], { name, place }: Pick<KeptPart, 'name' | 'place'>): Device | null {
  const by = devices.find((d) => isAt(place, d));
  if (by) return by;
  const pump = /pump (\d+)/i.exec(place)?.[1];
  const alike = devices.map((d) => (pump && String(d.pump) !== pump ? 0 : shared(name, d.description)));
  const most = Math.max(0, ...alike);
  const [first, ...more] = devices.filter((_, i) => most > 0 && alike[i] === most);
  return first && more.length === 0 ? first : null;
}

/** What is asked for in a shop for one device, what sits in its place now, and what lies on a shelf by a name like it. */
export interface Spare {
  readonly tag: string;
  readonly asks: string;
  readonly does: string;
  readonly fitted: readonly KeptPart[];
  /** Those of this station first. By their names alone: their figures are still to be compared. */
  readonly shelf: readonly KeptPart[];
}

/** Parts for devices that are opened or changed. @param tags of the devices; what is no device of the panel is left out */
export function sparesFor(panel: Panel, tags: readonly string[], kept: readonly KeptPart[]): Spare[] {
  return [...new Set(tags)].flatMap((tag) => {
    const device = panel.devices.find((d) => d.tag === tag);
    if (!device) return [];
    const fits = (p: KeptPart) => isAt(p.place, device) || shared(p.name, device.description) > 0;
    return [
      {
        tag,
        asks: device.description,
        does: device.label,
        fitted: kept.filter((p) => p.state === 'fitted' && p.at === null && deviceOf(panel.devices, p) === device),
        shelf: kept
          .filter((p) => p.state === 'on the shelf' && fits(p))
          .sort((a, b) => Number(a.at !== null) - Number(b.at !== null)),
      },
    ];
  });
}
