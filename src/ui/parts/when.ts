const TIME = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' });
const SHORT = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short' });
const BRIEF = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });
const LONG = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'long', year: 'numeric' });
const DAY = new Intl.DateTimeFormat('en-GB', { day: '2-digit', month: '2-digit', year: 'numeric' });

/** The time of day, `09:41`, in the reader’s own time zone. */
export const timeOfDay = (at: Date): string => TIME.format(at);

/** A time as it is said near to now: `09:41` today, `3 Nov 09:41` before. Written in the reader's own time zone. */
export function clock(iso: string, now: Date = new Date()): string {
  const at = new Date(iso);
  return DAY.format(at) === DAY.format(now) ? timeOfDay(at) : `${SHORT.format(at)} ${timeOfDay(at)}`;
}

/** When something is due, as a person says it: `3 days late`, `today`, `in 12 days`, `3 Nov 2027`. Times in ms since 1970. */
export function dueIn(at: number, now: number): string {
  const days = Math.round((at - now) / 86_400_000);
  const many = (n: number) => `${n} day${n === 1 ? '' : 's'}`;
  if (days < 0) return `${many(-days)} late`;
  if (days === 0) return 'today';
  return days < 100 ? `in ${many(days)}` : BRIEF.format(at);
}

/** `3 Nov 2026` */
export const shortDay = (iso: string): string => BRIEF.format(new Date(iso));

export const day = (iso: string): string => LONG.format(new Date(iso));
