import { describe, expect, it } from 'vitest';
import { moveFloat, setAt } from '@/core/editing';
import { judge, summaryOf } from '@/core/levels';
import { checkStation, newStation } from '@/core/station';
import { createEditor, isDirty, isUnsaved, type Judge, type Judging } from './editorStore';

const SAVED = { revision: 1, savedAt: '2026-11-24T09:41:00Z', station: newStation('Sump', 'Yard', 'metric-230') };
const JUDGE: Judge = { checkStation, judge, summaryOf };
const there: Judging = { now: () => JUDGE, ready: () => Promise.resolve() };
const editor = (judging = there) => createEditor(1, SAVED, summaryOf(judge(SAVED.station).rules), judging);
const up = (by: number) => (d: ReturnType<typeof newStation>) => moveFloat(d, 'pump', by, 'metric');

describe('the editor', () => {
  it('judges what is edited', () => {
    const store = editor();
    const before = store.getState().judged.context.stop;
    store.getState().edit(up(0.05));
    expect(store.getState().judged.context.stop).toBeCloseTo(before + 0.05, 9);
    expect(isDirty(store.getState())).toBe(true);
  });

  it('judges what was edited before its check was there as soon as it is, the newest of it', async () => {
    let by: Judge | null = null;
    let arrive = () => {};
    const arrived = new Promise<void>((resolve) => (arrive = resolve));
    const store = editor({ now: () => by, ready: () => arrived });
    const before = store.getState().judged;
    store.getState().edit(up(0.05));
    store.getState().edit((d) => setAt(d, 'vessel.overflow', 9));
    expect(store.getState().judged).toBe(before);
    by = JUDGE;
    arrive();
    await arrived;
    expect(store.getState().judged.problems.map((p) => p.path)).toEqual(['vessel.overflow']);
    store.getState().edit((d) => setAt(d, 'vessel.overflow', 1.1));
    expect(store.getState().judged.context.stop).toBeCloseTo(before.context.stop + 0.05, 9);
  });

  it('keeps the last judgement beside the problems of a document that contradicts itself', () => {
    const store = editor();
    const { context } = store.getState().judged;
    store.getState().edit((d) => setAt(d, 'vessel.overflow', 9));
    expect(store.getState().judged.context).toBe(context);
    expect(store.getState().judged.problems.map((p) => p.path)).toEqual(['vessel.overflow']);
    store.getState().edit((d) => setAt(d, 'vessel.overflow', 1.1));
    expect(store.getState().judged.problems).toEqual([]);
  });

  it('keeps an edit whose judgement falls over, says so, and goes on with the next', () => {
    let falls = true;
    const judgeOrFall: Judge['judge'] = (...of) => {
      if (falls) throw new RangeError('no operating point');
      return judge(...of);
    };
    const store = editor({ now: () => ({ ...JUDGE, judge: judgeOrFall }), ready: () => Promise.resolve() });
    const { context } = store.getState().judged;
    store.getState().edit(up(0.05));
    expect(isDirty(store.getState())).toBe(true);
    expect(store.getState().judged.context).toBe(context);
    expect(store.getState().judged.problems[0]!.message).toMatch(/no operating point.*what was typed is kept/);
    falls = false;
    store.getState().edit(up(0.05));
    expect(store.getState().judged.problems).toEqual([]);
    expect(store.getState().judged.context.stop).toBeCloseTo(context.stop + 0.1, 9);
  });

  it('undoes and redoes each edit, and judges again', () => {
    const store = editor();
    const { document } = store.getState();
    store.getState().edit(up(0.05));
    store.getState().edit(up(0.05));
    store.temporal.getState().undo();
    store.temporal.getState().undo();
    expect(store.getState().document).toBe(document);
    expect(isDirty(store.getState())).toBe(false);
    expect(store.getState().judged.context.station).toEqual(document);
    store.temporal.getState().redo();
    expect(isDirty(store.getState())).toBe(true);
  });

  it('takes a whole drag as one step', () => {
    const store = editor();
    const { document, edit, beginDrag, endDrag } = store.getState();
    beginDrag();
    for (const by of [0.01, 0.03, 0.08]) edit(() => up(by)(document));
    endDrag();
    edit(up(0.005));
    expect(store.temporal.getState().pastStates).toHaveLength(2);
    store.temporal.getState().undo();
    store.temporal.getState().undo();
    expect(store.getState().document).toBe(document);
  });

  it('does not count an edit that changes nothing, nor the water', () => {
    const store = editor();
    store.getState().edit((d) => d);
    store.getState().setLevel(0.9);
    expect(store.temporal.getState().pastStates).toHaveLength(0);
    expect(store.getState().level).toBe(0.9);
  });
});

describe('what stands in fields', () => {
  it('is not saved yet until it is in the document, and is no step to undo', () => {
    const store = editor();
    store.getState().setTyped('vessel.overflow', '1,2');
    expect([isDirty(store.getState()), isUnsaved(store.getState())]).toEqual([false, true]);
    expect(store.temporal.getState().pastStates).toHaveLength(0);
    store.getState().setTyped('vessel.overflow', null);
    expect(isUnsaved(store.getState())).toBe(false);
  });
  it('a station that is judged late keeps the context that its views hang on', () => {
    const store = createEditor(1, SAVED, null, there);
    const { context } = store.getState().judged;
    store.getState().judgeNow();
    expect(store.getState().judged.rules).toEqual(summaryOf(judge(SAVED.station).rules));
    expect(store.getState().judged.context).toBe(context);
    store.getState().edit(up(0.05));
    expect(store.getState().judged.context).not.toBe(context);
  });
  it('what was saved elsewhere is taken whole, with nothing to undo to', () => {
    const store = editor();
    store.getState().edit((d) => setAt(d, 'identity.name', 'Mine'));
    const theirs = { revision: 9, savedAt: 'x', station: setAt(SAVED.station, 'identity.name', 'Theirs') };
    store.getState().takeSaved(theirs);
    expect([store.getState().document, isUnsaved(store.getState())]).toEqual([theirs.station, false]);
    expect(store.temporal.getState().pastStates).toHaveLength(0);
  });
});
