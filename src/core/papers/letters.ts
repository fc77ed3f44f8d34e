/*
 * The letters that printed papers have type for. The papers’ own face covers what Latin is written with; Greek and Cyrillic come from another.
 * What neither covers cannot be set, and is said rather than printed as something else.
 */

/** A file of type: its name, and the letters in it as pairs of first and last code point. */
interface Face {
  readonly name: string;
  readonly letters: readonly (readonly [first: number, last: number])[];
}

const ranges = (text: string): Face['letters'] =>
  text.split(' ').map((r) => {
    const [first, last = first] = r.split('-').map((x) => parseInt(x, 16));
    return [first!, last!];
  });

/** In the order in which they are asked. The letters are those of the files, which a test compares. */
export const FACES: readonly Face[] = [
  {
    name: 'archivo-latin',
    letters: ranges(
      '20-7e a0-ff 131 152-153 2bc 2c6 2da 2dc 2009 2013-2014 2018-201a 201c-201e 2022 2026 2032-2033 2039-203a 2044 20ac 2122 2191 2193 2212',
    ),
  },
  {
    name: 'archivo-latin-ext',
    letters: ranges(
      '100-130 132-151 154-17f 18f 192 1a0-1a1 1af-1b0 1c4-1dc 1e6-1e7 1ea-1eb 1fa-21b 22a-22d 230-233 237 259 2c7 2c9 2dd 1e80-1e85 1e9e 1ef2-1ef9 2020 20b9-20ba 20bd',
    ),
  },
  { name: 'archivo-vietnamese', letters: ranges('1ea0-1ef9 20ab') },
  { name: 'noto-sans-greek', letters: ranges('370-377 37a-37f 384-38a 38c 38e-3a1 3a3-3e1 3f0-3ff') },
  {
    name: 'noto-sans-greek-ext',
    letters: ranges(
      '1f00-1f15 1f18-1f1d 1f20-1f45 1f48-1f4d 1f50-1f57 1f59 1f5b 1f5d 1f5f-1f7d 1f80-1fb4 1fb6-1fc4 1fc6-1fd3 1fd6-1fdb 1fdd-1fef 1ff2-1ff4 1ff6-1ffe',
    ),
  },
  { name: 'noto-sans-cyrillic', letters: ranges('400-45f 490-491 4b0-4b1 2116') },
  { name: 'noto-sans-cyrillic-ext', letters: ranges('460-48f 492-4af 4b2-52f 20b4') },
];

const faceOf = (letter: string): string | null => {
  const code = letter.codePointAt(0)!;
  return FACES.find((f) => f.letters.some(([first, last]) => code >= first && code <= last))?.name ?? null;
};

/** Signs of ours that the faces have no type for, in letters that they have. */
const SIGNS: Readonly<Record<string, string>> = {
  '≥': 'at least ',
  '≤': 'at most ',
  '≈': 'about ',
  '→': '–',
  '▸': '·',
  '‑': '-',
  '\t': ' ',
};

/** What is set of a text, in one piece for each face. */
export interface Run {
  readonly face: string;
  readonly text: string;
}

/**
 * A text in pieces that one face can set each. A letter that none has type for is set as “?”: `withoutType` tells which.
 * Accents that stand by themselves are first joined to their letters.
 */
export function runsOf(text: string): Run[] {
  const letters = [...text.normalize('NFC')].flatMap((c) => [...(SIGNS[c] ?? c)]);
  const runs: { face: string; text: string }[] = [];
  for (const letter of letters) {
    if (letter === '\n') {
      (runs.at(-1) ?? runs[runs.push({ face: FACES[0]!.name, text: '' }) - 1]!).text += letter;
      continue;
    }
    const face = faceOf(letter);
    // A space or a full stop between Greek words stays with them.
    const last = runs.at(-1);
    const here = face ?? FACES[0]!.name;
    if (last?.face === here) last.text += face ? letter : '?';
    else runs.push({ face: here, text: face ? letter : '?' });
  }
  return runs;
}

/** The letters of a text that no face has type for, each once. */
export const withoutType = (text: string): string[] => [
  ...new Set([...text.normalize('NFC')].filter((c) => c !== '\n' && !(c in SIGNS) && faceOf(c) === null)),
];
