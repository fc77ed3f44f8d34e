/*
 * Reminds somebody of what is due, once: by a letter over SMTP, or as a file. Meant to be run by the clock of the machine, once a week.
 *
 *   npm run remind -- --to office@example.org [--from bell@example.org] [--smtp smtp://192.0.2.1:25 | --out due.eml]
 *     [--days 14] [--address http://192.0.2.9:4310] [--always]
 */
import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { openDataFolder } from '@/server/db';
import { dueEverywhere } from '@/server/due';
import { reminderFile, sendReminder, toTell } from '@/server/remind';

const { values } = parseArgs({
  options: {
    to: { type: 'string' },
    from: { type: 'string', default: 'pit-bell@localhost' },
    smtp: { type: 'string' },
    out: { type: 'string' },
    days: { type: 'string', default: '14' },
    address: { type: 'string', default: 'http://127.0.0.1:4310' },
    /** Writes even where nothing is due. */
    always: { type: 'boolean', default: false },
  },
});
const say = (text: string) => process.stdout.write(`${text}\n`);
const stop = (text: string): never => {
  process.stderr.write(`${text}\n`);
  process.exit(2);
};

const days = Number(values.days);
if (!values.to) stop('to whom? npm run remind -- --to office@example.org --smtp smtp://192.0.2.1:25');
if (!Number.isFinite(days) || days < 0) stop(`--days ${values.days} is no number of days`);
if ((values.smtp === undefined) === (values.out === undefined)) stop('either --smtp or --out');

const db = openDataFolder();
const now = Date.now();
const due = dueEverywhere(db, now);
db.close();
const letter = { from: values.from, to: values.to!, address: values.address, days };
const many = toTell(due, days, now).length;
if (many === 0 && !values.always) say(`nothing is due in the next ${days} days: nobody is reminded`);
else if (values.out !== undefined) {
  writeFileSync(values.out, await reminderFile(due, letter, now));
  say(`${many} due: written to ${values.out}`);
} else {
  const { accepted } = await sendReminder(due, letter, values.smtp!, now).catch((error: Error) =>
    stop(`not sent: ${error.message}`),
  );
  say(`${many} due: sent to ${accepted.join(', ')}`);
}
