import { createHash } from 'node:crypto';
import canonicalize from 'canonicalize';
import { readSealed, RUN_FORMAT, RUN_VERSION, type SealedFile, type SealedRun } from '@/core/proving';

/*
 * Sealing: the SHA-256 of a run's canonical JSON (RFC 8785), which holds the hash of the run sealed before. Whoever changes one byte of one
 * run changes its hash, and with it what every later one says of it.
 */

/** The hash of a run, without the one that it carries. */
export const hashOf = (content: SealedRun): string =>
  createHash('sha256').update(canonicalize(content)!, 'utf8').digest('hex');

/** A run as it is kept and carried. */
export function sealed(content: Omit<SealedRun, 'format' | 'version'>): SealedFile {
  const whole: SealedRun = { format: RUN_FORMAT, version: RUN_VERSION, ...content };
  return { ...whole, hash: hashOf(whole) };
}

/** Whether a run that was read is what was sealed: what it hashes to, against what it says. */
export function checkSeal(input: unknown): { ok: true; file: SealedFile } | { ok: false; problems: readonly string[] } {
  const read = readSealed(input);
  if (!read.ok) return read;
  // What is hashed is what stands there, also what this version does not know of it.
  const { hash, ...content } = input as SealedFile;
  const now = hashOf(content);
  return now === hash
    ? { ok: true, file: read.file }
    : { ok: false, problems: [`its seal is broken: it says ${hash}, and what stands in it comes to ${now}`] };
}
