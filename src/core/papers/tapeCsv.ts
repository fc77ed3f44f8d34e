import type { Judgement } from '../levels';
import { factorOf, unitOf, type Format, type UnitSystem } from '../units';

/** The tape list as rows of text with a heading, one thing to be set a row; figures in the units of `system`, heights in mm or decimal inches. */
export function tapeCsvRows({ tape }: Pick<Judgement, 'tape'>, system: UnitSystem): string[][] {
  const text = (kind: Format, value: number | null) =>
    value === null ? '' : String(Number((value / factorOf(kind, system)).toPrecision(8)));
  const h = unitOf('height', system);
  const head = [
    'float',
    'role',
    'kind',
    'contact',
    'set',
    `rim down (${h})`,
    `floor up or length (${h})`,
    'bearing (deg)',
    `on (${h})`,
    `off (${h})`,
    'range',
    `water (${unitOf('volume', system)})`,
    'hose (min)',
    `cord with slack (${unitOf('distance', system)})`,
  ];
  const rows = tape.flatMap((row) =>
    row.settings.map((s) => [
      String(row.order),
      row.role,
      row.kind,
      row.contact === 'closes-on-rise' ? 'closes on rise (NO hanging)' : 'opens on rise (NC hanging)',
      s.label,
      text('height', s.rimDown),
      text('height', s.value),
      row.bearing === null ? '' : String(row.bearing),
      text('height', row.rise),
      text('height', row.fall),
      row.measured ? 'measured' : 'worked out',
      text('volume', row.water),
      String(Number((row.byHose / 60).toFixed(1))),
      text('distance', row.cord),
    ]),
  );
  return [head, ...rows];
}
