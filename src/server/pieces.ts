import {
  closeSync,
  existsSync,
  ftruncateSync,
  mkdirSync,
  openSync,
  readdirSync,
  readFileSync,
  rmSync,
  statSync,
  writeSync,
} from 'node:fs';
import path from 'node:path';
import { dataFolder } from './db';

/*
 * What is too large for one breath of a bad line is sent in pieces, under a word of its own. Each piece says where it begins; what is there already
 * is not written twice, and whoever was cut off asks how much is there and goes on from it. A word holds nothing until it is taken.
 */

const WORD = /^[\w-]{8,80}$/;
/** What nobody has gone on with is dropped after this, ms. */
const LEFT = 7 * 86_400_000;

const folderOf = (folder: string): string => path.join(folder, 'pieces');
const fileOf = (word: string, folder: string): string => path.join(folderOf(folder), `${word}.part`);

export const isWord = (word: string): boolean => WORD.test(word);

/** Bytes that are there under a word. */
export function piecesHere(word: string, folder: string = dataFolder()): number {
  const file = fileOf(word, folder);
  return isWord(word) && existsSync(file) ? statSync(file).size : 0;
}

/**
 * Adds a piece that begins at a place; of what is there already nothing is written again, and what would leave a gap is not taken.
 * @returns how many bytes are there then: the next piece begins there; null where it would be more than `most`
 */
export function addPiece(
  word: string,
  at: number,
  bytes: Uint8Array,
  most: number,
  folder: string = dataFolder(),
): number | null {
  if (!isWord(word)) throw new RangeError('no word');
  if (at + bytes.length > most) return null;
  mkdirSync(folderOf(folder), { recursive: true, mode: 0o700 });
  const here = piecesHere(word, folder);
  const fresh = bytes.subarray(Math.max(0, here - at));
  if (at > here || fresh.length === 0) return here;
  const file = openSync(fileOf(word, folder), 'a', 0o600);
  try {
    let written = 0;
    while (written < fresh.length) written += writeSync(file, fresh, written);
    return here + fresh.length;
  } catch (error) {
    // A disk that is full has taken a part of it: what is there is what was there.
    ftruncateSync(file, here);
    throw error;
  } finally {
    closeSync(file);
  }
}

/** What was sent under a word, as one; null where nothing was. */
export function piecesOf(word: string, folder: string = dataFolder()): Buffer | null {
  return piecesHere(word, folder) > 0 ? readFileSync(fileOf(word, folder)) : null;
}

/** The file in which what was sent under a word lies. */
export const piecesFile = fileOf;

/** Takes away what was sent under a word. */
export function dropPieces(word: string, folder: string = dataFolder()): void {
  if (isWord(word)) rmSync(fileOf(word, folder), { force: true });
}

/** Takes away what nobody has gone on with. @param now ms since 1970 */
export function dropLeft(now: number, folder: string = dataFolder()): void {
  if (!existsSync(folderOf(folder))) return;
  for (const name of readdirSync(folderOf(folder))) {
    const file = path.join(folderOf(folder), name);
    if (now - statSync(file).mtimeMs > LEFT) rmSync(file, { force: true });
  }
}
