import { settle, waitingOf, type Settled } from '../circuit';
import type { Sides } from './hazards';
import { inTheEnd, solveWith, type Inputs } from './inputs';
import { inputWords, inputsToTry } from './inputsToTry';
import type { Wired } from './wired';

/** A state in which a panel as landed is held against its design. */
export interface Trial extends Sides {
  readonly inputs: Inputs;
  /** In words: with what lifted and in which position, and how long. */
  readonly when: string;
}

/** How often timers are let run out, one after the other: to the dose, and to the rest after it. */
const RUNS = 2;

/** What it comes to when every timer that runs has run out; null where none runs. */
export function afterTimers(wired: Wired, settled: Settled): Settled | null {
  const over = waitingOf(settled).map((w) => [w.device, w.to] as const);
  if (over.length === 0) return null;
  return inTheEnd(wired, settle(wired.structure, { ...settled.states, ...Object.fromEntries(over) }));
}

/** Lets the timers of both run out, each by its own. */
function timed(design: Wired, landed: Wired, first: Trial): Trial[] {
  const found: Trial[] = [];
  let now: Trial = first;
  for (let i = 1; i <= RUNS; i++) {
    const [d, l] = [afterTimers(design, now.design), afterTimers(landed, now.landed)];
    if (!d && !l) break;
    now = {
      ...now,
      design: d ?? now.design,
      landed: l ?? now.landed,
      when: `${first.when}, after its timers have run${i > 1 ? ` ${i} times` : ''}`,
    };
    found.push(now);
  }
  return found;
}

/** Up and down once with the water, each from the state before: what is held in shows only so. */
function withTheWater(design: Wired, landed: Wired): Trial[] {
  const { panel } = landed;
  const floats = panel.devices.filter((d) => d.sensor !== undefined).map((d) => d.tag);
  let [before, is] = [design.states, landed.states];
  let inputs: Inputs = Object.fromEntries(floats.map((f) => [f, 'down']));
  return [...floats.map((f) => [f, 'up'] as const), ...[...floats].reverse().map((f) => [f, 'down'] as const)].map(
    ([tag, to]): Trial => {
      inputs = { ...inputs, [tag]: to };
      const sides = {
        design: inTheEnd(design, settle(design.structure, { ...before, ...inputs })),
        landed: inTheEnd(landed, settle(landed.structure, { ...is, ...inputs })),
      };
      [before, is] = [sides.design.states, sides.landed.states];
      return { inputs, ...sides, when: inputWords(panel, inputs) };
    },
  );
}

/** Every state that floats and hands can bring a panel to, with its timers run out, and the way of the water up and down: the simplest first. */
export function trialsOf(design: Wired, landed: Wired): Trial[] {
  const { panel } = landed;
  const rest = inputsToTry(panel).map((inputs): Trial => ({
    inputs,
    design: inTheEnd(design, solveWith(design, inputs)),
    landed: inTheEnd(landed, solveWith(landed, inputs)),
    when: inputWords(panel, inputs),
  }));
  return [...rest, ...rest.flatMap((t) => timed(design, landed, t)), ...withTheWater(design, landed)];
}
