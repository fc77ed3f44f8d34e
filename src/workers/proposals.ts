import { expose } from 'comlink';
import { propose } from '@/core/proposals';

/** Proposals of levels, worked out off the page. */
const api = { propose };

export type ProposalsApi = typeof api;

expose(api);
