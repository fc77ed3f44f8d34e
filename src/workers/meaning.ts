import { expose } from 'comlink';
import { meaningOf } from '@/core/jobs';

/** What a failed step could mean, off the page: every single fault of the station is asked. */
const api = { meaningOf };

export type MeaningApi = typeof api;

expose(api);
