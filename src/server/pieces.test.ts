import { existsSync, mkdtempSync, readdirSync, rmSync, utimesSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import fc from 'fast-check';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { addPiece, dropLeft, dropPieces, piecesFile, piecesHere, piecesOf } from './pieces';

let folder: string;
beforeEach(() => (folder = mkdtempSync(path.join(tmpdir(), 'pitbell-pieces-'))));
afterEach(() => rmSync(folder, { recursive: true }));

const WORD = 'a-word-of-it';
const bytes = (text: string) => Buffer.from(text);
const add = (at: number, text: string, most = 100) => addPiece(WORD, at, bytes(text), most, folder);

describe('pieces of a file', () => {
  it('are put together in order; what is there is not written again, and nothing leaves a gap', () => {
    expect(add(0, 'abcd')).toBe(4);
    expect(add(0, 'abcd')).toBe(4);
    expect(add(2, 'cdef')).toBe(6);
    expect(add(9, 'xyz')).toBe(6);
    expect(add(6, '')).toBe(6);
    expect(String(piecesOf(WORD, folder))).toBe('abcdef');
    expect(piecesHere(WORD, folder)).toBe(6);
  });
  it('however they come, cut and doubled, the whole is the whole', () => {
    fc.assert(
      fc.property(
        fc.string({ minLength: 1, maxLength: 40 }),
        fc.array(fc.tuple(fc.nat(40), fc.nat(12))),
        (text, tries) => {
          dropPieces(WORD, folder);
          const all = bytes(text);
          for (const [at, n] of tries) addPiece(WORD, at, all.subarray(at, at + n), 1000, folder);
          for (let has = 0; has < all.length;) has = addPiece(WORD, has, all.subarray(has, has + 7), 1000, folder)!;
          expect(piecesOf(WORD, folder)!.equals(all)).toBe(true);
        },
      ),
    );
  });
  it('beyond the most that is taken are refused, and a word that is none is no file', () => {
    expect(add(0, 'x'.repeat(101))).toBeNull();
    expect(piecesOf(WORD, folder)).toBeNull();
    for (const wrong of ['../../etc/passwd', 'short', '', 'a'.repeat(81)]) {
      expect(() => addPiece(wrong, 0, bytes('x'), 9, folder)).toThrow();
      expect(piecesHere(wrong, folder)).toBe(0);
      dropPieces(wrong, folder);
    }
  });
  it('that nobody went on with are dropped after a week', () => {
    add(0, 'old');
    const now = Date.now();
    dropLeft(now, folder);
    expect(existsSync(piecesFile(WORD, folder))).toBe(true);
    utimesSync(piecesFile(WORD, folder), new Date(now - 8 * 86_400_000), new Date(now - 8 * 86_400_000));
    dropLeft(now, folder);
    expect(readdirSync(path.join(folder, 'pieces'))).toEqual([]);
  });
});
