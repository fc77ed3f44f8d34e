import { describe, expect, it } from 'vitest';
import { demoStations } from '../demo';
import { readFound, readPlan, storePlan, testPlan, type Step } from './index';

const plans = demoStations().map((d) => [d.file, testPlan(d.station)] as const);

/** A plan as the first release kept it: a bare list, formats called kinds. */
const asVersion1 = (steps: readonly Step[]): string =>
  JSON.stringify(steps, (_, value: unknown) => {
    if (typeof value !== 'object' || value === null || Array.isArray(value) || !('format' in value)) return value;
    const { format, ...rest } = value;
    return { ...rest, kind: format };
  });

describe('a plan that is kept', () => {
  it.each(plans)('%s: comes back as it was, also from the first version', (_, steps) => {
    expect(readPlan(storePlan(steps, 'J11'))).toEqual({ ok: true, job: 'J11', steps });
    expect(readPlan(JSON.stringify({ version: 2, steps }))).toEqual({ ok: true, job: 'commission', steps });
    expect(asVersion1(steps)).toContain('"kind"');
    expect(readPlan(asVersion1(steps))).toEqual({ ok: true, job: 'commission', steps });
  });

  it.each([
    ['no text of ours', '{', /not text/],
    ['of a newer version', JSON.stringify({ version: 99, steps: [] }), /version/],
    ['without its steps', JSON.stringify({ version: 2 }), /steps/],
    ['with half a step', JSON.stringify({ version: 2, steps: [{ id: 'x' }] }), /steps\.0\.phase/],
    [
      'with a figure of no known kind',
      JSON.stringify([{ ...plans[0]![1][0], actions: [[{ kind: 'smell', value: 1 }]] }]),
      /actions/,
    ],
  ])('%s is told, not trusted', (_, text, reason) =>
    expect(readPlan(text)).toEqual({ ok: false, reason: expect.stringMatching(reason) }),
  );

  it('of version 2 had no minutes, no risk and nothing standing: nothing is made up for it', () => {
    const old = { id: 'a', phase: 'wet', title: 'A', actions: [], cautions: [], expects: [], about: [] };
    expect(readPlan(JSON.stringify({ version: 2, steps: [old] }))).toEqual({
      ok: true,
      job: 'commission',
      steps: [{ ...old, first: [], standing: [], decisions: [], minutes: null, people: 1, risk: null }],
    });
  });

  it('findings that cannot be read are none', () => {
    expect(readFound('{"volts": 231, "seen": true}')).toEqual({ volts: 231, seen: true });
    for (const spoilt of ['{', '[]x', '{"volts": "many"}', 'null']) expect(readFound(spoilt)).toEqual({});
  });
});
