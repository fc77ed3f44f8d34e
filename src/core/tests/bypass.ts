import { pinOf, type Panel } from '../schemes';
import type { Act } from './act';

/** A pump’s plug moved to the bare outlet, where its cord fits there; null where nothing is plugged. */
export function straightIn(panel: Panel | null): { acts: Act[]; back: Act[]; place: string } | null {
  const motor = panel?.devices.find((d) => d.function === 'motor');
  if (!panel || !motor) return null;
  const own = panel.cores.filter((c) => pinOf(c.pin)[0] === motor.tag);
  // Where its plug fits beside where it is.
  const [place, pins] =
    Object.entries(motor.cable?.plugs ?? {}).find(([, to]) => own.some((c) => to[pinOf(c.pin)[1]] !== c.terminal)) ??
    [];
  if (!place || !pins) return null;
  const land = (to: (pin: string, home: string | null) => string | null): Act => ({
    kind: 'land',
    cores: own.map((c) => ({ core: c.id, to: to(pinOf(c.pin)[1], c.terminal) })),
  });
  return { acts: [land((pin, home) => pins[pin] ?? home)], back: [land((_, home) => home)], place };
}
