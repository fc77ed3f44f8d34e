import type { Device, Panel } from './model';

/** The contact of a sensor that a panel uses, by its name: the one whose cores are landed, or that is wired where it sits; null where none is. */
export function usedContact({ cores, spans }: Panel, { tag, cable, elements }: Device): string | null {
  const landed = (pin: string) => cores.some((c) => c.pin === `${tag}:${pin}` && c.terminal !== null);
  const used = Object.entries(elements).find(([name, e]) =>
    cable ? e.closed && e.pins.every(landed) : spans[`${tag}.${name}`],
  );
  return used?.[0] ?? null;
}
