import type * as z from 'zod';
import { readPumpModel, type pumpModelSchema } from '@/core/station';
import type { Db } from './db';

type PumpModel = z.infer<typeof pumpModelSchema>;

/** Every pump in the library, by name, as it was kept last. One that this version cannot read is left out, and left where it is. */
export function listPumpModels(db: Db): PumpModel[] {
  return db
    .prepare<[], { model: string }>(
      `SELECT model FROM pump_revisions p
       WHERE id = (SELECT max(id) FROM pump_revisions WHERE name = p.name) ORDER BY name COLLATE NOCASE`,
    )
    .all()
    .flatMap(({ model }) => {
      const read = readPumpModel(JSON.parse(model));
      return read.success ? [read.data] : [];
    });
}

/** Keeps a pump: it is the one of its name from now on, and what was kept before stays beneath. */
export function keepPumpModel(db: Db, model: PumpModel, at: string): void {
  db.prepare('INSERT INTO pump_revisions (name, kept_at, model) VALUES (?, ?, ?)').run(
    model.name,
    at,
    JSON.stringify(model),
  );
}
