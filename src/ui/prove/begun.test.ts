import { describe, expect, it } from 'vitest';
import { jobCard } from '@/core/jobs';
import { demoStations } from '@/core/demo';
import { WHOLE } from '@/core/proving';
import type { Act } from '../outbox/act';
import { begunRun, cardKept } from './begun';
import { findingsHere } from './sendRun';

const sump = demoStations()[0]!.station;
const act: Act = {
  ...{ n: 4, id: 'begun-here', kind: 'run', what: 'begun', stationId: 3, about: 'run:begun-here', at: 1_000_000 },
  ...{ now: false, by: null, url: '/api/stations/3/runs', method: 'POST', type: 'application/json' },
  ...{
    body: JSON.stringify({ tester: 'R. T.', job: WHOLE, revision: 2, card: cardKept(sump, WHOLE) }),
    after: null,
    state: 'waiting',
  },
  ...{ why: null, answer: null },
};
const finding = (over: Partial<Act>, stepId = 'isolate'): Act => ({
  ...act,
  ...{
    n: 7,
    id: 'a-finding',
    kind: 'finding',
    about: 'run:begun-here',
    after: 'begun-here',
    card: null,
    at: 2_000_000,
  },
  body: JSON.stringify({
    stepId,
    verdict: 'pass',
    found: { dead: 0.1 },
    note: 'dry',
    by: 'R. T.',
    decided: {},
    knows: 0,
  }),
  ...over,
});

describe('a run that was begun without signal', () => {
  it('has the card that the job has at this station, step for step, and what was found since', () => {
    const made = jobCard(sump, WHOLE);
    const begun = begunRun(act, [act, finding({})]);
    if (typeof begun === 'string' || !made.ok) throw new Error('no run');
    expect(begun.run.plan).toEqual(JSON.parse(JSON.stringify(made.card.steps)));
    expect(begun.run).toMatchObject({
      id: 'begun-here',
      revision: 2,
      tester: 'R. T.',
      startedAt: '1970-01-01T00:16:40.000Z',
    });
    expect(begun.run.entries).toMatchObject([
      { stepId: 'isolate', note: 'dry', enteredAt: '1970-01-01T00:33:20.000Z' },
    ]);
  });
  it('of what is saved on this device only it has no revision', () => {
    const begun = begunRun(
      { ...act, body: JSON.stringify({ tester: 'x', job: WHOLE, card: cardKept(sump, WHOLE) }) },
      [],
    );
    expect(typeof begun !== 'string' && begun.run.revision).toBeNull();
  });
  it('says why it cannot be shown', () => {
    expect(begunRun({ ...act, body: JSON.stringify({ tester: 'x', job: WHOLE }) }, [])).toMatch(/cannot be read/);
    expect(begunRun({ ...act, body: 'no json' }, [])).toMatch(/cannot be read/);
    expect(typeof begunRun({ ...act, body: JSON.stringify({ tester: 'x', card: '{"version":99}' }) }, [])).toBe(
      'string',
    );
  });
  it('findings stand as the server answered them once it has; those that it refused do not stand', () => {
    const entry = {
      id: 12,
      enteredAt: '2026-11-27T10:00:00Z',
      stepId: 'isolate',
      verdict: 'pass',
      found: {},
      note: '',
    };
    const answer = JSON.stringify({ entry: { ...entry, by: 'R. T.', decided: {} }, meanwhile: [] });
    const acts = [act, finding({ state: 'sent', answer }), finding({ n: 8, id: 'other', state: 'refused' }, 'bench')];
    expect(findingsHere(acts, 'begun-here').map((e) => e.id)).toEqual([12]);
    expect(findingsHere([finding({ body: 'no json' })], 'begun-here')).toEqual([]);
  });
  it('a job that does not fit has no card', () => expect(cardKept(sump, 'J99')).toBeNull());
});
