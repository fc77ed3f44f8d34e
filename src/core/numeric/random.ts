/** Numbers that look random and are always the same for a seed. */
export interface Random {
  /** Evenly from 0 up to 1. */
  even(): number;
  /** Of the normal distribution with mean 0 and deviation 1. */
  normal(): number;
  /** Waiting time for what comes `rate` times in a unit of time; Infinity where it never comes. */
  wait(rate: number): number;
}

/**
 * Random numbers from a seed (a whole number): a 32-bit state walked by an odd step and stirred by multiplications, the generator known as
 * mulberry32 (public domain). The normal ones by Box and Muller, Annals of Mathematical Statistics 29 (1958), p. 610.
 */
export function randomFrom(seed: number): Random {
  let state = seed >>> 0;
  const even = () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let x = Math.imul(state ^ (state >>> 15), 1 | state);
    x = (x + Math.imul(x ^ (x >>> 7), 61 | x)) ^ x;
    return ((x ^ (x >>> 14)) >>> 0) / 4294967296;
  };
  return {
    even,
    normal: () => Math.sqrt(-2 * Math.log(1 - even())) * Math.cos(2 * Math.PI * even()),
    wait: (rate) => (rate > 0 ? -Math.log(1 - even()) / rate : Infinity),
  };
}
