import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { demoStations } from '@/core/demo';
import { jobCard } from '@/core/jobs';
import type { ProofEntry } from '@/core/proving';
import type { Station } from '@/core/station';
import { codeOf, jobCardPdf, readingsPdf, reportPdf } from './papers';

const demo = (file: string): Station => demoStations().find((d) => d.file === `${file}.json`)!.station;
const ADDRESS = 'http://127.0.0.1:4300/stations/5';

async function words(pdf: Uint8Array): Promise<{ text: string; pages: number }> {
  const document = await getDocument({ data: pdf.slice() }).promise;
  const texts = await Promise.all(
    Array.from({ length: document.numPages }, async (_, i) => {
      const { items } = await (await document.getPage(i + 1)).getTextContent();
      return items.map((item) => ('str' in item ? item.str : '')).join(' ');
    }),
  );
  return { text: texts.join(' ').replace(/\s+/g, ' '), pages: document.numPages };
}

describe('papers of a job', () => {
  const station = demo('underpass-storm-sump');
  const made = jobCard(station, 'J11');
  if (!made.ok) throw new Error('J11');
  const plan = made.card.steps;
  const entry = (stepId: string, more: Partial<ProofEntry> = {}): ProofEntry => ({
    id: 1,
    stepId,
    enteredAt: '2026-11-26T09:41:00.000Z',
    by: 'A. B.',
    verdict: 'pass',
    found: {},
    decided: {},
    note: '',
    ...more,
  });

  it('the report has expected beside found, what deviates, its photographs, its seal and whose word decides', async () => {
    const bytes = new Uint8Array(
      await sharp({ create: { width: 60, height: 40, channels: 3, background: 'green' } })
        .jpeg()
        .toBuffer(),
    );
    const { text } = await words(
      await reportPdf({
        document: JSON.stringify(station),
        run: {
          title: 'Alternator',
          revision: 2,
          startedAt: '2026-11-26T09:00:00.000Z',
          tester: 'A. B.',
          plan,
          entries: [
            entry('running', { found: { 'run-volts': 380, amps: 4.7 } }),
            entry('bench', { verdict: 'fail', note: 'pin burnt', found: { pins: false } }),
          ],
          seal: { sealedAt: '2026-11-26T10:00:00.000Z', sealedBy: 'A. B.', hash: 'f'.repeat(64), previous: null },
          words: [],
        },
        photos: [{ stepId: 'bench', bytes }],
        system: 'metric',
        address: ADDRESS,
      }),
    );
    for (const said of [
      'Underpass storm sump',
      'Alternator',
      'pin burnt',
      '380 V',
      'differs',
      'the first of this station',
      'Local codes',
      ADDRESS,
      'X2:3',
    ])
      expect(text).toContain(said);
    expect(text).toContain('398 V, within 10%');
  });

  it('the job card has boxes for every figure and the same cautions; a job that is not for the station says why', async () => {
    const asked = { station, revision: 1, printed: '26 November 2026', system: 'metric', address: ADDRESS } as const;
    const pdf = await jobCardPdf({ ...asked, job: 'J11' });
    if (typeof pdf === 'string') throw new Error(pdf);
    const { text } = await words(pdf);
    for (const said of ['Locked: 2 first', 'Pumps run dry: seconds only', 'signed', 'dead, inside the box'])
      expect(text).toContain(said);
    expect(await jobCardPdf({ ...asked, job: 'J10' })).toMatch(/no drive runs its pump/);
  });

  it('the card for the panel door has every input with where the probes go', async () => {
    const { text, pages } = await words(
      await readingsPdf({ station, revision: 1, printed: 'x', system: 'metric', address: null }),
    );
    for (const said of ['stop float', 'X2:7 – X2:8, volts AC', 'live']) expect(text).toContain(said);
    expect(pages).toBe(1);
  });

  it('the code is a picture of the address; none without one', async () => {
    expect(await codeOf(null)).toBeNull();
    const code = await codeOf(ADDRESS);
    expect(await sharp(code!.png).metadata()).toMatchObject({ format: 'png', width: 240 });
  });
});
