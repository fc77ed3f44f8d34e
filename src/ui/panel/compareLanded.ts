/** What compares a station as it is landed with its design. */
export { asLanded } from '@/core/wiring';
