import type * as z from 'zod';
import { readPumpModel, type pumpModelSchema } from '@/core/station';
import type { Db } from './db';

type PumpModel = z.infer<typeof pumpModelSchema>;

/** Every pump in the library, by name. One that this version cannot read is left out, and left where it is. */
export function listPumpModels(db: Db): PumpModel[] {
  return db
    .prepare<[], { model: string }>('SELECT model FROM pump_models ORDER BY name COLLATE NOCASE')
    .all()
    .flatMap(({ model }) => {
      const read = readPumpModel(JSON.parse(model));
      return read.success ? [read.data] : [];
    });
}

/** Keeps a pump, in place of one of the same name. */
export function keepPumpModel(db: Db, model: PumpModel, at: string): void {
  db.prepare(
    `INSERT INTO pump_models (name, kept_at, model) VALUES (?, ?, ?)
     ON CONFLICT (name) DO UPDATE SET kept_at = excluded.kept_at, model = excluded.model`,
  ).run(model.name, at, JSON.stringify(model));
}
