import { expose } from 'comlink';
import { panelOf } from '@/core/schemes';
import type { Station } from '@/core/station';
import { asLanded } from '@/core/wiring';

/** A panel as it is landed against its design, off the page: every float, hand, timer and second fault is solved for it. */
const api = {
  asLanded(station: Station) {
    const made = panelOf(station);
    return made.ok ? asLanded(station, made.panel) : null;
  },
};

export type LandedApi = typeof api;

expose(api);
