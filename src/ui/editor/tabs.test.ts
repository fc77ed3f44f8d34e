import { afterEach, describe, expect, it, vi } from 'vitest';
import { joinTabs, type Tabs } from './tabs';

/** The session storage of one tab. */
const session = (name?: string) => {
  const memory = new Map(name === undefined ? [] : [['pitbell.tab', name]]);
  vi.stubGlobal('sessionStorage', {
    getItem: (k: string) => memory.get(k) ?? null,
    setItem: (k: string, v: string) => void memory.set(k, v),
  });
  return memory;
};
const open: Tabs[] = [];
async function join(station: number, onSaved: (saved: unknown) => void = () => {}): Promise<Tabs> {
  const tabs = await joinTabs(station, onSaved);
  open.push(tabs);
  return tabs;
}
afterEach(() => {
  open.splice(0).forEach((t) => t.leave());
  vi.unstubAllGlobals();
});

describe('tabs of one browser', () => {
  it('a tab keeps its name through a reload; one that was doubled takes another', async () => {
    const memory = session('mine');
    const first = await join(1);
    expect(first.tab).toBe('mine');
    first.leave();
    expect((await join(1)).tab).toBe('mine');
    const doubled = await join(1);
    expect(doubled.tab).not.toBe('mine');
    expect(memory.get('pitbell.tab')).toBe(doubled.tab);
    expect([...doubled.others]).toEqual(['mine']);
  });
  it('knows whether another has the same station open', async () => {
    session('a');
    await join(1);
    session('b');
    expect((await join(2)).shared).toBe(false);
    session('c');
    expect((await join(1)).shared).toBe(true);
  });
  it('hears what another has saved of the same station, and not of others, nor its own', async () => {
    session('a');
    const heard = vi.fn();
    const mine = await join(1, heard);
    session('b');
    const theirs = await join(1);
    session('c');
    const other = await join(2);
    mine.tellSaved('my own');
    other.tellSaved('another station');
    theirs.tellSaved({ revision: 3 });
    await vi.waitFor(() => expect(heard).toHaveBeenCalled());
    expect(heard.mock.calls).toEqual([[{ revision: 3 }]]);
  });
  it('works alone where the browser has no such channel or keeps nothing', async () => {
    vi.stubGlobal('BroadcastChannel', undefined);
    vi.stubGlobal('sessionStorage', undefined);
    const alone = await join(1);
    expect(alone.tab).toMatch(/^[0-9a-f]{32}$/);
    expect([...alone.others]).toEqual([]);
  });
});
