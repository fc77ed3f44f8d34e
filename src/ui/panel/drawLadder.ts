/** What draws the ladder as a file. */
export { ladderScene, ladderSvg } from '@/core/papers';
