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

/** `3 Nov 2026` */
export const shortDay = (iso: string): string => BRIEF.format(new Date(iso));

export const day = (iso: string): string => LONG.format(new Date(iso));
