import { format, isSameDay } from 'date-fns';

/** A time as it is said near to now: `09:41` today, `3 Nov 09:41` before. Written in the reader's own time zone. */
export function clock(iso: string, now: Date = new Date()): string {
  const at = new Date(iso);
  return format(at, isSameDay(at, now) ? 'HH:mm' : 'd MMM HH:mm');
}

export const day = (iso: string): string => format(new Date(iso), 'd MMMM yyyy');
