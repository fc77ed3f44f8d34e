import { expose } from 'comlink';
import { dependence } from '@/core/dependence';

/** What hangs on figures that nobody typed or confirmed, off the page: every one of them is moved, and all rules are judged again. */
const api = { dependence };

export type DependenceApi = typeof api;

expose(api);
