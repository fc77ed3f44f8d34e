/** A complex r.m.s. value. */
export interface Phasor {
  readonly re: number;
  readonly im: number;
}

export const ZERO: Phasor = { re: 0, im: 0 };
export const polar = (size: number, deg: number): Phasor => ({
  re: size * Math.cos((deg * Math.PI) / 180),
  im: size * Math.sin((deg * Math.PI) / 180),
});
export const minus = (p: Phasor, q: Phasor): Phasor => ({ re: p.re - q.re, im: p.im - q.im });
export const plus = (p: Phasor, q: Phasor): Phasor => ({ re: p.re + q.re, im: p.im + q.im });
export const times = (p: Phasor, q: Phasor): Phasor => ({
  re: p.re * q.re - p.im * q.im,
  im: p.re * q.im + p.im * q.re,
});
export const size = (p: Phasor): number => Math.sqrt(p.re * p.re + p.im * p.im);
export const inverse = ({ re, im }: Phasor): Phasor => {
  const d = re * re + im * im;
  return { re: re / d, im: -im / d };
};
