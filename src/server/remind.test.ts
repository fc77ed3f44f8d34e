import type { AddressInfo } from 'node:net';
import { simpleParser } from './mail.fixture';
import { SMTPServer } from 'smtp-server';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { phrase } from '@/core/units';
import type { DueSomewhere } from './due';
import { reminderFile, sendReminder, toTell } from './remind';

const NOW = Date.UTC(2026, 10, 27, 8);
const DAY = 86_400_000;
const due = (what: string, days: number, later: DueSomewhere['later'] = null): DueSomewhere => ({
  id: what,
  what,
  at: NOW + days * DAY,
  why: phrase`its 4 years are over then`,
  job: 'commission',
  later,
  stationId: 3,
  name: 'Yard sump',
  site: 'Ÿard',
  toHarm: 1.25,
  pressing: 1,
});
const letter = { from: 'bell@example.org', to: 'office@example.org', address: 'http://192.0.2.9:4310', days: 14 };
const ALL = [due('battery: change it', -3), due('look at it', 10), due('float: change it', 40)];

let server: SMTPServer;
let got: { to: string[]; text: string }[];
let url: string;
beforeEach(async () => {
  got = [];
  server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['STARTTLS'],
    onRcptTo: (address, _, done) =>
      address.address.startsWith('nobody') ? done(new Error('there is nobody of that name')) : done(),
    onData(stream, session, done) {
      let text = '';
      stream.on('data', (chunk: Buffer) => (text += chunk.toString()));
      stream.on('end', () => {
        got.push({ to: session.envelope.rcptTo.map((r) => r.address), text });
        done();
      });
    },
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  url = `smtp://127.0.0.1:${(server.server.address() as AddressInfo).port}`;
});
afterEach(() => new Promise<void>((resolve) => server.close(() => resolve())));

describe('a reminder', () => {
  it('tells what is late or due within the days; what was put off only when it is due again', () => {
    expect(toTell(ALL, 14, NOW).map((d) => d.what)).toEqual(['battery: change it', 'look at it']);
    const put = due('battery: change it', -3, { until: NOW + 60 * DAY, why: 'a new one is ordered' });
    expect(toTell([put], 14, NOW)).toEqual([]);
    expect(toTell([put], 14, NOW + 60 * DAY)).toHaveLength(1);
    expect(toTell([{ ...due('x', 0), at: null }], 14, NOW)).toEqual([]);
  });
  it('goes over SMTP to whom it is for, and says how late, why, what it risks and where', async () => {
    expect(await sendReminder(ALL, letter, url, NOW)).toEqual({ accepted: ['office@example.org'] });
    expect(got).toHaveLength(1);
    expect(got[0]!.to).toEqual(['office@example.org']);
    const { subject, text } = simpleParser(got[0]!.text);
    expect(subject).toBe('Pit Bell: 2 due, 1 of them late');
    expect(text).toContain('Yard sump, Ÿard: battery: change it (3 days late).');
    expect(text).toContain('its 4 years are over then. It gives 1.3 h from its alarm to harm');
    expect(text).toContain('http://192.0.2.9:4310/stations/3/book');
    expect(text).not.toContain('float: change it');
  });
  it('that the server does not take is told with what it said', async () => {
    await expect(sendReminder(ALL, { ...letter, to: 'nobody@example.org' }, url, NOW)).rejects.toThrow(
      /there is nobody of that name/,
    );
    await expect(sendReminder(ALL, letter, 'smtp://127.0.0.1:1', NOW)).rejects.toThrow(/ECONNREFUSED/);
  });
  it('is a file as well, that is a letter; of nothing due it says so', async () => {
    const { subject, text } = simpleParser((await reminderFile([], letter, NOW)).toString());
    expect([subject, text.trim()]).toEqual(['Pit Bell: 0 due', 'Nothing is due in the next 14 days.']);
  });
  it('takes no line of a name for a header', async () => {
    const odd = { ...due('look at it', 1), name: 'Sump\r\nBcc: all@example.org' };
    const raw = (
      await reminderFile([odd], { ...letter, to: 'office@example.org\r\nBcc: x@example.org' }, NOW)
    ).toString();
    const head = raw.split('\r\n\r\n')[0]!;
    expect(head.match(/^Bcc:/gim)).toBeNull();
  });
});
