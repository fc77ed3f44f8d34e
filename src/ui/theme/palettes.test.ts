import { describe, expect, it } from 'vitest';
import { PAINT, type Paint } from './palettes';

/** Relative luminance. Source: W3C, Web Content Accessibility Guidelines 2.1, "relative luminance". */
function luminance(colour: string): number {
  const [r, g, b] = [1, 3, 5].map((at) => {
    const c = parseInt(colour.slice(at, at + 2), 16) / 255;
    return c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
  }) as [number, number, number];
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}
function contrast(a: string, b: string): number {
  const [dark, light] = [luminance(a), luminance(b)].sort((x, y) => x - y) as [number, number];
  return (light + 0.05) / (dark + 0.05);
}

it('black on white is 21 to 1, and a grey of the guidelines’ own example is 4.54', () => {
  expect(contrast('#000000', '#FFFFFF')).toBeCloseTo(21, 6);
  expect(contrast('#767676', '#FFFFFF')).toBeCloseTo(4.54, 2);
});

describe.each(Object.entries(PAINT))('the theme %s', (_, paint) => {
  const words: readonly (readonly [keyof Paint, keyof Paint])[] = [
    ['ink', 'ground'],
    ['ink', 'panel'],
    ['quiet', 'ground'],
    ['quiet', 'panel'],
    ['brass', 'ground'],
    ['brass', 'panel'],
    ['onBrass', 'brass'],
    ['vermilion', 'ground'],
    ['vermilion', 'panel'],
    ['ground', 'vermilion'],
    ['onFloat', 'float'],
  ];
  it.each(words)('words in %s on %s can be read by everyone (level AA: 4.5 to 1)', (words, under) =>
    expect(contrast(paint[words] as string, paint[under] as string)).toBeGreaterThanOrEqual(4.5),
  );
  it('what is drawn stands out from what it is drawn on (3 to 1)', () => {
    for (const line of ['surface', 'steel', 'earth'] as const)
      expect([line, contrast(paint[line], paint.panel) >= 3]).toEqual([line, true]);
  });
});
