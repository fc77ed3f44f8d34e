import { describe, expect, it, vi } from 'vitest';
import { prefsFrom, keepPrefs } from '../theme/prefs';
import { PAINT } from '../theme/palettes';
import { fileNameOf } from './download';
import { clock, day } from './when';

describe('times', () => {
  const now = new Date(2026, 10, 24, 12, 0);
  it('are short today and carry their day before', () => {
    expect(clock(new Date(2026, 10, 24, 9, 41).toISOString(), now)).toBe('09:41');
    expect(clock(new Date(2026, 10, 3, 9, 41).toISOString(), now)).toBe('3 Nov 09:41');
    expect(day(new Date(2026, 10, 3, 9, 41).toISOString())).toBe('3 November 2026');
  });
});

describe('file names', () => {
  it.each([
    [['Crew-boat workshop sump'], 'crew-boat-workshop-sump.json'],
    [['Pit 3', 'mine'], 'pit-3-mine.json'],
    [['../../etc'], 'etc.json'],
    [['„“'], 'station.json'],
    [['Pit', '', 'csv'], 'pit.csv'],
  ])('%j', (args, name) => expect(fileNameOf(...(args as [string]))).toBe(name));
});

describe('preferences', () => {
  const from = (cookies: Record<string, string>) => prefsFrom((name) => cookies[name]);
  it('are chalk and the station’s own units until something else is chosen', () => {
    expect(from({})).toEqual({ theme: 'chalk', units: null });
    expect(from({ 'pb-theme': 'pink', 'pb-units': 'cubits' })).toEqual({ theme: 'chalk', units: null });
    expect(from({ 'pb-theme': 'night', 'pb-units': 'us' })).toEqual({ theme: 'night', units: 'us' });
  });
  it('are kept as cookies, and units are let go again', () => {
    const written: string[] = [];
    vi.stubGlobal('document', {
      set cookie(text: string) {
        written.push(text);
      },
    });
    keepPrefs({ theme: 'night', units: 'us' });
    keepPrefs({ theme: 'night', units: null });
    vi.unstubAllGlobals();
    expect(written[0]).toMatch(/^pb-theme=night/);
    expect(written[1]).toMatch(/^pb-units=us/);
    expect(written[3]).toMatch(/^pb-units=; .*max-age=0/);
  });
});

describe('the themes', () => {
  /** Relative luminance and contrast ratio, WCAG 2.2. */
  const luminance = (hex: string) => {
    const [r, g, b] = [1, 3, 5]
      .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
      .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * b!;
  };
  const contrast = (a: string, b: string) => {
    const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
    return (light! + 0.05) / (dark! + 0.05);
  };
  it.each(Object.entries(PAINT))('%s: readings at AAA, all other words at AA', (_, p) => {
    for (const ground of [p.ground, p.panel]) {
      expect(contrast(p.ink, ground)).toBeGreaterThanOrEqual(7);
      for (const words of [p.quiet, p.brass, p.vermilion]) expect(contrast(words, ground)).toBeGreaterThanOrEqual(4.5);
    }
    expect(contrast(p.onBrass, p.brass)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(p.onFloat, p.float)).toBeGreaterThanOrEqual(7);
  });
});
