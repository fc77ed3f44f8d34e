const two = (n: number) => String(n).padStart(2, '0');

/** A time of a rehearsal as a clock shows it: days where there are any, hours and minutes, and as much of a second as is asked for. */
export function clock(time: number, finest = 1): string {
  const digits = finest >= 1 ? 0 : Math.min(Math.ceil(-Math.log10(finest)), 3);
  const unit = 10 ** -digits;
  const all = Math.round(time / unit) * unit;
  const days = Math.floor(all / 86400);
  const rest = all - days * 86400;
  const seconds = rest % 60;
  if (finest >= 86400) return `${Math.round(time / 86400)} d`;
  const hm = `${two(Math.floor(rest / 3600))}:${two(Math.floor(rest / 60) % 60)}`;
  const s = digits > 0 ? seconds.toFixed(digits).padStart(3 + digits, '0') : two(Math.round(seconds));
  return `${days > 0 ? `${days} d ` : ''}${hm}${finest >= 60 ? '' : `:${s}`}`;
}

const STEPS = [
  0.1,
  0.2,
  0.5,
  1,
  2,
  5,
  10,
  30,
  60,
  120,
  300,
  600,
  1800,
  3600,
  2 * 3600,
  3 * 3600,
  6 * 3600,
  12 * 3600,
  86400,
  2 * 86400,
  7 * 86400,
  30 * 86400,
  90 * 86400,
  365 * 86400,
];

/** Marks of a time axis that read well, and the step between them, s. */
export function marks(from: number, to: number): { step: number; at: number[] } {
  const step = STEPS.find((s) => (to - from) / s <= 9) ?? to - from;
  const first = Math.ceil(from / step - 1e-9);
  return {
    step,
    at: Array.from({ length: Math.max(Math.floor(to / step + 1e-9) - first + 1, 0) }, (_, i) => (first + i) * step),
  };
}
