import type { Segment } from '../station';

/** Modulus of elasticity of what pipes are made of, Pa (usual figures; J. P. Tullis, “Hydraulics of Pipelines”, 1989, table 8.1), and a typical wall as a share of the bore. */
const PIPE: Readonly<Record<NonNullable<Segment['material']>, { readonly elastic: number; readonly wall: number }>> = {
  pvc: { elastic: 2.8e9, wall: 1 / 15 },
  polyethylene: { elastic: 0.8e9, wall: 1 / 9 },
  abs: { elastic: 2.2e9, wall: 1 / 15 },
  copper: { elastic: 120e9, wall: 1 / 25 },
  steel: { elastic: 207e9, wall: 1 / 15 },
  'ductile-iron': { elastic: 165e9, wall: 1 / 18 },
};

/** Bulk modulus of water, Pa. */
const BULK = 2.1e9;

/** What a pipe is taken for where nobody said what it is of: smooth ones are plastic, rough ones steel. */
const SMOOTH = 1e-5;
export const materialOf = ({ material, roughness }: Pick<Segment, 'material' | 'roughness'>) =>
  material ?? (roughness < SMOOTH ? 'pvc' : 'steel');

/**
 * Speed of a pressure wave in a pipe full of water, m/s: a = √(K/ρ) / √(1 + (K/E)·(D/e)).
 * Source: E. B. Wylie and V. L. Streeter, “Fluid Transients in Systems”, 1993, eq. 1.28, c₁ = 1.
 * @param density kg/m³
 */
export function waveSpeed(pipe: Pick<Segment, 'material' | 'roughness' | 'bore' | 'wall'>, density: number): number {
  const { elastic, wall } = PIPE[materialOf(pipe)];
  const thick = pipe.wall ?? wall * pipe.bore;
  return Math.sqrt(BULK / density) / Math.sqrt(1 + (BULK / elastic) * (pipe.bore / thick));
}

/** Pressure that a sudden loss of a velocity makes, Pa: ρ·a·Δv (N. E. Joukowsky, 1898). */
export const joukowsky = (density: number, wave: number, velocity: number): number => density * wave * velocity;
