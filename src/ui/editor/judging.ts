import type { Judge, Judging } from './editorStore';

let loaded: Judge | null = null;
let loading: Promise<unknown> | null = null;

/** The check and judgement of documents, fetched once for the page. */
export const judging: Judging = {
  now: () => loaded,
  ready: () =>
    (loading ??= import('./judgeDocuments').then(
      ({ judge, summaryOf, checkStation }) => (loaded = { judge, summaryOf, checkStation }),
    )),
};
