import { temporal } from 'zundo';
import { createStore } from 'zustand/vanilla';
import { judge, surroundingsAfter, type Judgement, type DrawingRef } from '@/core/levels';
import { type Sensor } from '@/core/sensors';
import { checkStation, type Problem, type Station } from '@/core/station';
import type { UnitSystem } from '@/core/units';

export interface SavedState {
  readonly revision: number;
  readonly savedAt: string;
  readonly station: Station;
}

/** What the document on the screen comes to: judged when it holds together, else its problems beside the last judgement that could be made. */
export interface Judged {
  readonly judgement: Judgement;
  readonly problems: readonly Problem[];
}

export interface EditorState {
  readonly id: number;
  /** The document on the screen; it may contradict itself while a person is typing. */
  readonly document: Station;
  readonly saved: SavedState;
  readonly judged: Judged;
  /** Where the water stands in the drawing, m above the floor. */
  readonly level: number;
  /** The parts pointed at, on either side of the screen. */
  readonly pointed: readonly DrawingRef[];
  /** Sensors as a proposal would hang them, drawn as outlines; null while none is looked at. */
  readonly ghosts: readonly Sensor[] | null;
  edit(change: (document: Station) => Station): void;
  /** The first edit of a drag is one step to undo, the rest of it belongs to that step. */
  beginDrag(): void;
  endDrag(): void;
  setSaved(saved: SavedState): void;
  setLevel(level: number): void;
  point(parts: readonly DrawingRef[]): void;
  showGhosts(sensors: readonly Sensor[] | null): void;
}

function judgeDocument(document: Station, system: UnitSystem | undefined, before: Judgement): Judged {
  const checked = checkStation(document, system);
  // The document itself is judged, not the copy that was checked: what has not changed is known by being the same.
  return checked.ok
    ? { judgement: judge(document, surroundingsAfter(document, before.context)), problems: [] }
    : { judgement: before, problems: checked.problems };
}

/** The state of one station being worked on. Undo and redo reach the document alone. */
export function createEditor(id: number, saved: SavedState, system?: UnitSystem) {
  const first = judge(saved.station);
  const store = createStore<EditorState>()(
    temporal(
      (set, get) => ({
        id,
        document: saved.station,
        saved,
        judged: { judgement: first, problems: [] },
        level: (first.context.stop + first.context.lead) / 2,
        pointed: [],
        ghosts: null,
        edit(change) {
          const document = change(get().document);
          if (document === get().document) return;
          set({ document });
          if (dragging) store.temporal.getState().pause();
        },
        beginDrag() {
          dragging = true;
        },
        endDrag() {
          dragging = false;
          store.temporal.getState().resume();
        },
        setSaved: (next) => set({ saved: next }),
        setLevel: (level) => set({ level }),
        point: (pointed) => set({ pointed }),
        showGhosts: (ghosts) => set({ ghosts }),
      }),
      { partialize: ({ document }) => ({ document }), equality: (a, b) => a.document === b.document, limit: 200 },
    ),
  );
  let dragging = false;
  store.subscribe((state, before) => {
    if (state.document !== before.document)
      store.setState({ judged: judgeDocument(state.document, system, before.judged.judgement) });
  });
  return store;
}

export type EditorStore = ReturnType<typeof createEditor>;

export const isDirty = ({ document, saved }: Pick<EditorState, 'document' | 'saved'>): boolean =>
  document !== saved.station;
