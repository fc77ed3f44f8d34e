import { ruleSchema, type Dated, type Rule } from '@/core/book';
import type { Db } from './db';

/** A rule of the firm that stands: it is for every station. */
export interface FirmRule {
  readonly id: number;
  readonly keptAt: string;
  readonly by: string;
  readonly rule: Rule;
}

/** Rules of the firm that stand, oldest first. What this version cannot read is left out, and stays. */
export const firmRules = (db: Db): FirmRule[] =>
  db
    .prepare<[], { id: number; keptAt: string; by: string; content: string }>(
      `SELECT id, kept_at AS keptAt, kept_by AS "by", content FROM firm_rules r WHERE ends IS NULL
       AND NOT EXISTS (SELECT 1 FROM firm_rules e WHERE e.ends = r.id) ORDER BY id`,
    )
    .all()
    .flatMap(({ content, ...row }) => {
      const read = ruleSchema.safeParse(JSON.parse(content));
      return read.success ? [{ ...row, rule: read.data }] : [];
    });

/** As pages of every book; their numbers are below zero, so that none is taken for a page of one. */
export const firmPages = (db: Db): Dated[] =>
  firmRules(db).map(({ id, keptAt, rule }) => ({ id: -id, at: Date.parse(keptAt), page: rule }));

/** What came under this key before; null where nothing has. */
const keptAs = (db: Db, key: string | null): number | null =>
  (db.prepare('SELECT id FROM firm_rules WHERE client_key = ?').pluck().get(key) as number | undefined) ?? null;

/** Writes a rule. @param key of the request: sent again it is written once @returns its number */
export function addFirmRule(db: Db, rule: Rule, by: string, at: string, key: string | null = null): number {
  const before = keptAs(db, key);
  if (before !== null) return before;
  const { lastInsertRowid } = db
    .prepare('INSERT INTO firm_rules (kept_at, kept_by, content, client_key) VALUES (?, ?, ?, ?)')
    .run(at, by, JSON.stringify(rule), key);
  return Number(lastInsertRowid);
}

/** Ends a rule. @param key of the request @returns false where no such rule stands */
export function endFirmRule(db: Db, id: number, by: string, at: string, key: string | null = null): boolean {
  if (keptAs(db, key) !== null) return true;
  if (!firmRules(db).some((r) => r.id === id)) return false;
  db.prepare("INSERT INTO firm_rules (kept_at, kept_by, content, ends, client_key) VALUES (?, ?, '{}', ?, ?)").run(
    ...[at, by, id, key],
  );
  return true;
}

/** Another when any rule of the firm came or went. */
export const lastFirmRule = (db: Db): number =>
  (db.prepare('SELECT max(id) FROM firm_rules').pluck().get() as number | null) ?? 0;
