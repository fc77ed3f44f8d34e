import type { LevelContext } from '@/core/levels';
import { inUnits, type UnitSystem } from '@/core/units';

const POINTS = 40;

interface CurveRow {
  readonly flow: number;
  readonly pump: number;
  readonly pipe: number;
}

/** The pump's head and the line's head over the whole of the curve, at the start level, in a person's units; and where they meet. */
export function curveAndPipe({ hydraulics, lead, atLead }: LevelContext, system: UnitSystem): { rows: CurveRow[]; duty: { flow: number; head: number; si: number } | null } {
  const { curve } = hydraulics;
  const rows = Array.from({ length: POINTS + 1 }, (_, i) => {
    const q = (curve.to * i) / POINTS;
    return { flow: inUnits('flow', q, system), pump: inUnits('head', curve.at(Math.min(q, curve.to)), system), pipe: inUnits('head', Math.max(hydraulics.systemHead(q, lead), 0), system) };
  });
  const shutOff = rows[0]!.pump;
  return {
    rows: rows.filter((r) => r.pipe <= shutOff * 1.15),
    duty: atLead.ok ? { flow: inUnits('flow', atLead.flow, system), head: inUnits('head', hydraulics.systemHead(atLead.flow, lead), system), si: atLead.flow } : null,
  };
}
