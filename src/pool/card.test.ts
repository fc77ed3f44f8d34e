import * as fontkit from 'fontkit';
import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs';
import { describe, expect, it } from 'vitest';
import { demoStations } from '@/core/demo';
import { judge } from '@/core/levels';
import { doorCard, FACES, runsOf, withoutType } from '@/core/papers';
import { newStation } from '@/core/station';
import { cardPdf } from './card';

describe('letters', () => {
  it.each(FACES)('$name has every letter that is said of it, plain and bold', ({ name, letters }) => {
    for (const weight of [400, 700]) {
      const file = `node_modules/@fontsource/${name.startsWith('archivo') ? 'archivo' : 'noto-sans'}/files/${name}-${weight}-normal.woff`;
      const font = fontkit.openSync(file) as fontkit.Font;
      for (const [first, last] of letters)
        for (let c = first; c <= last; c++) expect([c, font.hasGlyphForCodePoint(c)]).toEqual([c, true]);
    }
  });
  it('a text is cut where the face changes, and nothing of it is lost', () => {
    expect(runsOf('Pump Насос 2')).toEqual([
      { face: 'archivo-latin', text: 'Pump ' },
      { face: 'noto-sans-cyrillic', text: 'Насос' },
      { face: 'archivo-latin', text: ' 2' },
    ]);
    const text = 'Ąęśćż Příliš žluťoučký Αντλία Ёлка Ế';
    expect(
      runsOf(text)
        .map((r) => r.text)
        .join(''),
    ).toBe(text);
    expect(withoutType(text)).toEqual([]);
  });
  it('an accent that stands by itself is joined to its letter', () => {
    expect(runsOf('e\u0301')).toEqual([{ face: 'archivo-latin', text: 'é' }]);
  });
  it('what no face has is told, and set as a sign that something is missing', () => {
    expect(withoutType('泵站 A 泵')).toEqual(['泵', '站']);
    expect(
      runsOf('泵 A')
        .map((r) => r.text)
        .join(''),
    ).toBe('? A');
  });
  it('every word of every demo card has its type', () => {
    for (const { file, station } of demoStations())
      for (const system of ['metric', 'us'] as const) {
        const words = JSON.stringify(doorCard(judge(station), 1, '24 Nov 2026', system, ''));
        expect([file, withoutType(words)]).toEqual([file, []]);
      }
  });
});

/** The words of a PDF as a reader finds them, with where they stand. */
async function words(pdf: Uint8Array): Promise<{ pages: number; text: string; right: number; width: number }> {
  const document = await getDocument({ data: pdf.slice(), useSystemFonts: false }).promise;
  const page = await document.getPage(1);
  const items = (await page.getTextContent()).items.flatMap((i) => ('str' in i ? [i] : []));
  const right = Math.max(...items.map((i) => (i.transform[4] as number) + i.width));
  const { width } = page.getViewport({ scale: 1 });
  return { pages: document.numPages, text: items.map((i) => i.str).join(''), right, width };
}

describe('the door card as PDF', () => {
  const card = (name: string, contact: string) => {
    const station = newStation(name, 'Yard', 'metric-230');
    return cardPdf({
      station: { ...station, identity: { ...station.identity, contact } },
      revision: 1,
      printed: '24 Nov 2026',
      system: 'metric',
    });
  };
  it.each([
    ['Polish', 'Zażółć gęślą', 'Łucja Źdźbło, 555 0100'],
    ['Czech', 'Příliš žluťoučký', 'Jiří Ďáblík, 555 0100'],
    ['Greek', 'Αντλία υπογείου', 'Ελένη Φως, 555 0100'],
    ['Cyrillic', 'Насос подвала', 'Щеглова Юлия, 555 0100'],
  ])('reads back as it was written: %s', async (_, name, contact) => {
    const { text, pages } = await words(await card(name, contact));
    expect(text).toContain(name);
    expect(text).toContain(contact);
    expect(pages).toBe(1);
  });
  it('a letter without type stands as “?” and the card says so; the telephone number stays as it is', async () => {
    const { text } = await words(await card('泵站', '王, 555 0100'));
    expect(text).toContain('?, 555 0100');
    expect(text).toContain('print the card from the screen');
  });
  it('a word without end stays on the page', async () => {
    const { right, width, text } = await words(await card('W'.repeat(70), `${'x'.repeat(100)} 555 0100`));
    expect(right).toBeLessThan(width - 20);
    expect(text.replace(/[-\s]/g, '')).toContain('x'.repeat(100));
  });
});
