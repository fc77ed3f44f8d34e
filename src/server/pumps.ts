import type * as z from 'zod';
import { readPumpModel, type pumpModelSchema } from '@/core/station';
import { ONCE, type Db } from './db';

type PumpModel = z.infer<typeof pumpModelSchema>;

/** Every pump in the library, by name, as it was kept last. One that this version cannot read is left out, and left where it is. */
export function listPumpModels(db: Db): PumpModel[] {
  return db
    .prepare<[], { model: string }>(
      `SELECT model FROM pump_revisions p
       WHERE id = (SELECT id FROM pump_revisions WHERE name = p.name ORDER BY kept_at DESC, id DESC LIMIT 1) ORDER BY name COLLATE NOCASE`,
    )
    .all()
    .flatMap(({ model }) => {
      const read = readPumpModel(JSON.parse(model));
      return read.success ? [read.data] : [];
    });
}

/**
 * Keeps a pump: the one of its name is what was kept last, and what was kept before stays beneath.
 * @param key of the request: the same one sent again is kept once
 */
export function keepPumpModel(db: Db, model: PumpModel, at: string, key: string | null = null): void {
  db.prepare(`INSERT INTO pump_revisions (name, kept_at, model, client_key) VALUES (?, ?, ?, ?) ${ONCE}`).run(
    model.name,
    at,
    JSON.stringify(model),
    key,
  );
}
