import { createTransport } from 'nodemailer';
import MailComposer from 'nodemailer/lib/mail-composer';
import { whenOf } from '@/core/book';
import { sayPhrase } from '@/core/units';
import type { DueSomewhere } from './due';

/** Who is reminded, and by whom. */
export interface Letter {
  readonly from: string;
  readonly to: string;
  /** Of this server, for the links. */
  readonly address: string;
  /** So many days ahead are told. */
  readonly days: number;
}

const DAY = 86_400_000;
const dayOf = (ms: number): string => new Date(ms).toISOString().slice(0, 10);

/** What is to be told of: late, or due within the days; the most pressing first, as it comes. What was put off is told when it is due again. */
export const toTell = (due: readonly DueSomewhere[], days: number, now: number): DueSomewhere[] =>
  due.filter((d) => whenOf(d) <= now + days * DAY);

function lineOf(d: DueSomewhere, address: string, now: number): string {
  const late = Math.floor((now - whenOf(d)) / DAY);
  const when = late > 0 ? `${late} day${late === 1 ? '' : 's'} late` : dayOf(whenOf(d));
  const risk =
    d.toHarm === null
      ? ''
      : ` It gives ${d.toHarm.toFixed(1)} h from its alarm to harm, by design inflow and with no pump running.`;
  return `${d.name}, ${d.site}: ${d.what} (${when}).\n  ${sayPhrase(d.why, 'metric')}.${risk}\n  ${address}/stations/${d.stationId}/book`;
}

/** The letter, in plain words. */
function mailOf(due: readonly DueSomewhere[], { from, to, address, days }: Letter, now: number) {
  const told = toTell(due, days, now);
  const late = told.filter((d) => whenOf(d) < now - DAY).length;
  return {
    from,
    to,
    date: new Date(now),
    subject: `Pit Bell: ${told.length} due${late > 0 ? `, ${late} of them late` : ''}`,
    text:
      told.length === 0
        ? `Nothing is due in the next ${days} days.\n`
        : `${told.map((d) => lineOf(d, address, now)).join('\n\n')}\n\nWhat to bring for all of it: ${address}/due\n`,
  };
}

/** The letter as a file that any program for mail opens. */
export const reminderFile = (due: readonly DueSomewhere[], letter: Letter, now: number): Promise<Buffer> =>
  new MailComposer(mailOf(due, letter, now)).compile().build();

/**
 * Sends the letter over SMTP. @param server as `smtp://192.0.2.1:25`, or smtps
 * @throws Error with what the server said where it does not take it
 */
export async function sendReminder(
  due: readonly DueSomewhere[],
  letter: Letter,
  server: string,
  now: number,
): Promise<{ accepted: readonly string[] }> {
  const transport = createTransport(server);
  try {
    const sent = (await transport.sendMail(mailOf(due, letter, now))) as { accepted: (string | { address: string })[] };
    return { accepted: sent.accepted.map((a) => (typeof a === 'string' ? a : a.address)) };
  } finally {
    transport.close();
  }
}
