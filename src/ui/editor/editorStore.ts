import { temporal } from 'zundo';
import { createStore } from 'zustand/vanilla';
import {
  levelContext,
  surroundingsAfter,
  type DrawingRef,
  type judge,
  type Judgement,
  type LevelContext,
  type RuleSummary,
  type summaryOf,
} from '@/core/levels';
import { type Sensor } from '@/core/sensors';
import type { checkStation, Problem, Station } from '@/core/station';
import { followSurvey } from '@/core/surveyed';
import type { UnitSystem } from '@/core/units';
import type { Keeping } from '../parts/browserKeep';
import type { Aside } from './draft';

export interface SavedState {
  readonly revision: number;
  readonly savedAt: string;
  readonly station: Station;
}

/** What the document on the screen comes to, or its problems beside what it last came to when it held together. */
export interface Judged {
  readonly context: LevelContext;
  /** The whole judgement; null until something was edited: then it is as the server found it. */
  readonly judgement: Judgement | null;
  /** null while nobody has worked them out. */
  readonly rules: RuleSummary | null;
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
  /** What stands in fields and has not been left, or cannot be read, by the path of the field. */
  readonly typed: Readonly<Record<string, string>>;
  /** Whether the browser keeps what is not saved yet. */
  readonly keeping: Keeping;
  /** What was saved of it on this device only, and is not sent yet; null: nothing. */
  readonly here: Station | null;
  /** Other unsaved work on this station that is kept in this browser. */
  readonly aside: readonly Aside[];
  /** Sensors as a proposal would hang them, drawn as outlines; null while none is looked at. */
  readonly ghosts: readonly Sensor[] | null;
  edit(change: (document: Station) => Station): void;
  /** Judges what is on the screen, though nothing was edited. */
  judgeNow(): void;
  /** The first edit of a drag is one step to undo, the rest of it belongs to that step. */
  beginDrag(): void;
  endDrag(): void;
  setSaved(saved: SavedState): void;
  /** Goes on with what was saved elsewhere; nothing of before is left to undo to. */
  takeSaved(saved: SavedState): void;
  /** @param text null once it stands in the document */
  setTyped(path: string, text: string | null): void;
  setKeeping(keeping: Keeping): void;
  setHere(here: Station | null): void;
  setAside(aside: readonly Aside[]): void;
  setLevel(level: number): void;
  point(parts: readonly DrawingRef[]): void;
  showGhosts(sensors: readonly Sensor[] | null): void;
}

/** What checks and judges a document. */
export interface Judge {
  readonly checkStation: typeof checkStation;
  readonly judge: typeof judge;
  readonly summaryOf: typeof summaryOf;
}

/** It is fetched after the page answers: what is edited before that is judged when it is there. */
export interface Judging {
  /** null while it is on its way. */
  now(): Judge | null;
  ready(): Promise<unknown>;
}

const NONE: readonly Problem[] = [];

function judgeDocument(by: Judge, document: Station, system: UnitSystem | undefined, before: Judged): Judged {
  const checked = by.checkStation(document, system);
  if (!checked.ok) return { ...before, problems: checked.problems };
  try {
    // The document itself is judged, not the copy that was checked: what has not changed is known by being the same.
    const judgement = by.judge(document, surroundingsAfter(document, before.context));
    // Judged as it stood: what hangs on its context (a panel that is being worked) is not begun anew.
    const context = before.context.station === document ? before.context : judgement.context;
    return { context, judgement, rules: by.summaryOf(judgement.rules), problems: NONE };
  } catch (e) {
    // What falls over here must not fall over whoever listens: the edit stands, is kept, and can be taken back.
    const message = `the rules could not be worked out with these figures (${(e as Error).message}): what is shown is from before; what was typed is kept`;
    return { ...before, problems: [{ path: 'rules', message }] };
  }
}

function once<T>(make: () => T): () => T {
  let made: { value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}

/** The state of one station being worked on. Undo and redo reach the document alone. @param saved as the server keeps it: already checked @param rules how its rules stand, null where that is not known yet */
export function createEditor(
  id: number,
  saved: SavedState,
  rules: RuleSummary | null,
  judging: Judging,
  system?: UnitSystem,
) {
  // Worked out when something first looks at it: the server, which draws the frame alone, never does.
  const first = once(() => levelContext(saved.station));
  const store = createStore<EditorState>()(
    temporal(
      (set, get) => ({
        id,
        document: saved.station,
        saved,
        judged: {
          get context() {
            return first();
          },
          judgement: null,
          rules,
          problems: NONE,
        },
        get level() {
          return (first().stop + first().lead) / 2;
        },
        pointed: [],
        typed: {},
        keeping: 'kept',
        here: null,
        aside: [],
        ghosts: null,
        edit(change) {
          const before = get().document;
          const document = followSurvey(before, change(before));
          if (document === before) return;
          set({ document });
          if (dragging) store.temporal.getState().pause();
        },
        judgeNow: () => judgeNow(),
        beginDrag() {
          dragging = true;
        },
        endDrag() {
          dragging = false;
          store.temporal.getState().resume();
        },
        setSaved: (next) => set({ saved: next }),
        takeSaved(next) {
          set({ saved: next, document: next.station });
          store.temporal.getState().clear();
        },
        setTyped(path, text) {
          const { [path]: before, ...rest } = get().typed;
          if ((before ?? null) !== text) set({ typed: text === null ? rest : { ...rest, [path]: text } });
        },
        setKeeping: (keeping) => set({ keeping }),
        setHere: (here) => set({ here }),
        setAside: (aside) => set({ aside }),
        setLevel: (level) => set({ level }),
        point: (pointed) => set({ pointed }),
        showGhosts: (ghosts) => set({ ghosts }),
      }),
      { partialize: ({ document }) => ({ document }), equality: (a, b) => a.document === b.document, limit: 200 },
    ),
  );
  let dragging = false;
  const judgeNow = () => {
    const by = judging.now();
    const { document, judged } = store.getState();
    if (by) store.setState({ judged: judgeDocument(by, document, system, judged) });
    else void judging.ready().then(judgeNow);
  };
  store.subscribe((state, before) => {
    if (state.document !== before.document) judgeNow();
  });
  return store;
}

export type EditorStore = ReturnType<typeof createEditor>;

export const isDirty = ({ document, saved }: Pick<EditorState, 'document' | 'saved'>): boolean =>
  document !== saved.station;

/** Whether anything is not saved yet: the document, or what stands in a field. */
export const isUnsaved = (state: Pick<EditorState, 'document' | 'saved' | 'typed'>): boolean =>
  isDirty(state) || Object.keys(state.typed).length > 0;

/** Whether what is on the screen is saved, but on this device only. */
export const isHereOnly = (state: Pick<EditorState, 'document' | 'here' | 'typed'>): boolean =>
  state.here === state.document && Object.keys(state.typed).length === 0;
