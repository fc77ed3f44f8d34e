/**
 * Typical loss factors, in velocity heads, for the fittings of a small discharge line: a starting point that the
 * person may change. Source of the values: F. M. White, "Fluid Mechanics", 7th ed., table 6.5 (screwed and flanged
 * fittings, nominal 2 in), and the entrance and exit losses of section 6.9; the ball valve is the full-bore value.
 */
export const COMMON_FITTINGS: readonly { name: string; k: number }[] = [
  { name: '90° elbow', k: 0.95 },
  { name: '45° elbow', k: 0.32 },
  { name: 'swing check valve', k: 2.1 },
  { name: 'full-bore ball valve', k: 0.1 },
  { name: 'gate valve, open', k: 0.16 },
  { name: 'tee, through branch', k: 1.4 },
  { name: 'union or coupling', k: 0.08 },
];

/**
 * Common pipe: absolute roughness, m (F. M. White, "Fluid Mechanics", 7th ed., table 6.1; L. F. Moody, 1944), and Hazen–Williams C
 * (L. W. Mays, "Water Resources Engineering", 2nd ed., table 12.2.1).
 */
export const COMMON_PIPES: readonly { name: string; roughness: number; hazenWilliams: number }[] = [
  { name: 'plastic, drawn', roughness: 1.5e-6, hazenWilliams: 150 },
  { name: 'steel, commercial', roughness: 4.6e-5, hazenWilliams: 130 },
  { name: 'galvanised iron', roughness: 1.5e-4, hazenWilliams: 120 },
  { name: 'cast iron, new', roughness: 2.6e-4, hazenWilliams: 130 },
];
