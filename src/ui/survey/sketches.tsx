'use client';
import type { Flows } from '@/core/inflow';
import type { Station } from '@/core/station';
import { Sketch } from './Sketch';

/** The three inflows as bars, beside what the pump delivers at the start level when that is known. */
export function InflowSketch({ flows, delivers }: { flows: Flows; delivers: number | null }) {
  const bars = [
    ['low', flows.low],
    ['design', flows.design],
    ['peak', flows.peak],
    ['pump', delivers ?? 0],
  ] as const;
  const most = Math.max(...bars.map(([, v]) => v), 1e-9);
  return (
    <Sketch viewBox="0 0 100 84" role="img" aria-label="inflows beside the pump">
      {bars.map(([name, value], i) => (
        <g key={name}>
          <text x="0" y={14 + i * 20}>
            {name}
          </text>
          <rect
            className={name === 'pump' ? 'solid' : 'water'}
            x="32"
            y={5 + i * 20}
            width={(value / most) * 66}
            height="12"
          />
        </g>
      ))}
    </Sketch>
  );
}

/** The pump's heights on its own scale, with the level at which it stops. */
export function PumpSketch({ pump, stop }: { pump: Station['pumps'][number]; stop: number }) {
  const top = Math.max(pump.motorTop, stop, 0.01) * 1.15;
  const y = (h: number) => 96 - (h / top) * 88;
  return (
    <Sketch viewBox="0 0 100 104" role="img" aria-label="heights of the pump and its stop level">
      <rect className="water" x="0" y={y(stop)} width="100" height={96 - y(stop)} />
      <path className="line" d="M0 96 H100" />
      <rect
        className="solid"
        x="22"
        y={y(pump.volute)}
        width="46"
        height={Math.max(y(pump.intake) - y(pump.volute), 0)}
      />
      <rect
        className="solid"
        x="30"
        y={y(pump.motorTop)}
        width="30"
        height={Math.max(y(pump.volute) - y(pump.motorTop), 0)}
      />
      <path className="mark" d={`M0 ${y(stop)} H100`} />
      <text x="72" y={y(stop) - 3}>
        stop
      </text>
    </Sketch>
  );
}

/** The line from the water to the outlet: how high it lifts. */
export function LiftSketch({ depth, outlet, stop }: { depth: number; outlet: number; stop: number }) {
  const top = Math.max(depth, outlet, 0.01) * 1.1;
  const low = Math.min(0, outlet);
  const y = (h: number) => 98 - ((h - low) / (top - low)) * 88;
  return (
    <Sketch viewBox="0 0 100 104" role="img" aria-label="lift from the stop level to the outlet">
      <path className="line" d={`M8 ${y(depth)} V${y(0)} H44 V${y(depth)}`} />
      <rect className="water" x="8" y={y(stop)} width="36" height={y(0) - y(stop)} />
      <path className="line" d={`M26 ${y(stop)} V${y(Math.max(outlet, depth))} H84 V${y(outlet)}`} strokeWidth="2" />
      <path className="mark" d={`M92 ${y(stop)} V${y(outlet)} M88 ${y(stop)} h8 M88 ${y(outlet)} h8`} />
    </Sketch>
  );
}
