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

export function addFirmRule(db: Db, rule: Rule, by: string, at: string): FirmRule {
  const { lastInsertRowid } = db
    .prepare('INSERT INTO firm_rules (kept_at, kept_by, content) VALUES (?, ?, ?)')
    .run(at, by, JSON.stringify(rule));
  return { id: Number(lastInsertRowid), keptAt: at, by, rule };
}

/** Ends a rule. @returns false where no such rule stands */
export function endFirmRule(db: Db, id: number, by: string, at: string): boolean {
  if (!firmRules(db).some((r) => r.id === id)) return false;
  db.prepare("INSERT INTO firm_rules (kept_at, kept_by, content, ends) VALUES (?, ?, '{}', ?)").run(at, by, id);
  return true;
}

/** Another when any rule of the firm came or went. */
export const lastFirmRule = (db: Db): number =>
  (db.prepare('SELECT max(id) FROM firm_rules').pluck().get() as number | null) ?? 0;
