import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import sharp from 'sharp';
import { photoFolder, type Db } from './db';
import { keptUnder, openStep, type Refused } from './proofs';

/** A photograph of a step, as it is listed: the picture itself lies beside the database. */
export interface Photo {
  readonly id: number;
  readonly runId: number;
  readonly stepId: string;
  readonly takenAt: string;
  readonly by: string;
  /** SHA-256 of the picture as it is kept. */
  readonly digest: string;
  readonly bytes: number;
  readonly width: number;
  readonly height: number;
}

/** Larger than any phone’s honest picture, bytes. */
export const LARGEST_PHOTO = 15 * 1024 * 1024;
/** Kept no larger than this along its longer side, and shown first at that, px. */
const KEPT = 2400;
const THUMB = 320;
/** A picture of more pixels is no photograph: it is made to fill a memory. */
const MOST_PIXELS = 120e6;

const PHOTO =
  'SELECT id, run_id AS runId, step_id AS stepId, taken_at AS takenAt, taken_by AS by, digest, bytes, width, height FROM photos';

export const listPhotos = (db: Db, runId: number): Photo[] =>
  db.prepare<[number], Photo>(`${PHOTO} WHERE run_id = ? ORDER BY id`).all(runId);

const fileOf = (digest: string, size: 'full' | 'thumb'): string =>
  path.join(photoFolder(), `${digest}${size === 'thumb' ? '.thumb' : ''}.jpg`);

/** Written whole or not at all: a picture that is half there is not there. */
function write(file: string, bytes: Buffer): void {
  if (existsSync(file)) return;
  mkdirSync(path.dirname(file), { recursive: true, mode: 0o700 });
  const part = `${file}.part`;
  writeFileSync(part, bytes, { mode: 0o600 });
  renameSync(part, file);
}

/**
 * The picture as it is kept: turned as it was held, no larger than is looked at, and without anything that was written into it beside the
 * picture (place, time, device), because it is made anew from its pixels. Null where it is no picture.
 */
async function remade(
  bytes: Uint8Array,
): Promise<{ full: Buffer; thumb: Buffer; width: number; height: number } | null> {
  try {
    const picture = sharp(bytes, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
    const { format } = await picture.metadata();
    if (!['jpeg', 'png', 'webp'].includes(format)) return null;
    const shown = picture.rotate();
    const fit = { fit: 'inside', withoutEnlargement: true } as const;
    const full = await shown
      .clone()
      .resize(KEPT, KEPT, fit)
      .jpeg({ quality: 82 })
      .toBuffer({ resolveWithObject: true });
    const thumb = await shown.clone().resize(THUMB, THUMB, fit).jpeg({ quality: 70 }).toBuffer();
    return { full: full.data, thumb, width: full.info.width, height: full.info.height };
  } catch {
    return null;
  }
}

interface NoPicture {
  readonly ok: false;
  readonly reason: 'no-picture';
  readonly detail: string;
}

/** Keeps a picture beside the database, under what is in it. */
async function keepPicture(
  sent: Uint8Array,
): Promise<{ ok: true; digest: string; bytes: number; width: number; height: number } | NoPicture> {
  const made = await remade(sent);
  if (!made)
    return { ok: false, reason: 'no-picture', detail: 'this is no photograph that can be read: JPEG, PNG or WebP' };
  const digest = createHash('sha256').update(made.full).digest('hex');
  write(fileOf(digest, 'full'), made.full);
  write(fileOf(digest, 'thumb'), made.thumb);
  return { ok: true, digest, bytes: made.full.length, width: made.width, height: made.height };
}

/** Keeps a photograph of a step; what it is, is decided by what is in it. */
export async function addPhoto(
  db: Db,
  runId: number,
  { stepId, by, bytes }: { stepId: string; by: string; bytes: Uint8Array },
  at: string,
  key: string | null = null,
): Promise<{ ok: true; photo: Photo } | Refused | NoPicture> {
  const open = openStep(db, runId, stepId);
  if (!open.ok) return open;
  const before = keptUnder(db, 'photos', 'run_id', runId, key);
  const kept = listPhotos(db, runId).find((p) => p.id === before);
  if (kept) return { ok: true, photo: kept };
  const picture = await keepPicture(bytes);
  if (!picture.ok) return picture;
  const { digest, width, height, bytes: size } = picture;
  const { lastInsertRowid } = db
    .prepare(
      'INSERT INTO photos (run_id, step_id, taken_at, taken_by, digest, bytes, width, height, client_key) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
    )
    .run(runId, stepId, at, by, digest, size, width, height, key);
  const photo = {
    id: Number(lastInsertRowid),
    runId,
    stepId,
    takenAt: at,
    by,
    digest,
    bytes: size,
    width,
    height,
  };
  return { ok: true, photo };
}

/** Keeps a photograph of a page of the book. Null: there is no such page. */
export async function addPagePhoto(
  db: Db,
  { stationId, pageId, by, bytes }: { stationId: number; pageId: number; by: string; bytes: Uint8Array },
  at: string,
  key: string | null = null,
): Promise<{ ok: true; id: number } | NoPicture | null> {
  const page = db.prepare('SELECT id FROM book_pages WHERE id = ? AND station_id = ?').get(pageId, stationId);
  if (!page) return null;
  const before = keptUnder(db, 'book_photos', 'page_id', pageId, key);
  if (before !== null) return { ok: true, id: before };
  const picture = await keepPicture(bytes);
  if (!picture.ok) return picture;
  const { lastInsertRowid } = db
    .prepare(
      'INSERT INTO book_photos (page_id, added_at, added_by, digest, bytes, width, height, client_key) VALUES (?, ?, ?, ?, ?, ?, ?, ?)',
    )
    .run(pageId, at, by, picture.digest, picture.bytes, picture.width, picture.height, key);
  return { ok: true, id: Number(lastInsertRowid) };
}

/** A photograph's picture; null where there is none, or its file is gone. */
export function readPhoto(
  db: Db,
  id: number,
  size: 'full' | 'thumb',
  of: 'photos' | 'book_photos' = 'photos',
): Buffer | null {
  const digest = db.prepare<[number], string>(`SELECT digest FROM ${of} WHERE id = ?`).pluck().get(id);
  const file = digest && fileOf(digest, size);
  return file && existsSync(/* turbopackIgnore: true */ file) ? readFileSync(/* turbopackIgnore: true */ file) : null;
}
