/**
 * Indices in order of rising score, found one at a time: a binary heap, so that the first few cost next to nothing where there are many.
 * Source: J. W. J. Williams, "Algorithm 232: Heapsort", Comm. ACM 7 (1964) 347–348.
 */
export function* bestFirst(scores: Float64Array): Generator<number> {
  const heap = new Uint32Array(scores.length);
  for (let i = 0; i < heap.length; i++) heap[i] = i;
  let size = heap.length;
  const before = (a: number, b: number) =>
    scores[heap[a]!]! < scores[heap[b]!]! || (scores[heap[a]!]! === scores[heap[b]!]! && heap[a]! < heap[b]!);
  const sink = (from: number) => {
    for (let i = from; ;) {
      const left = 2 * i + 1;
      let least = i;
      if (left < size && before(left, least)) least = left;
      if (left + 1 < size && before(left + 1, least)) least = left + 1;
      if (least === i) return;
      [heap[i], heap[least]] = [heap[least]!, heap[i]!];
      i = least;
    }
  };
  for (let i = (size >> 1) - 1; i >= 0; i--) sink(i);
  while (size > 0) {
    const first = heap[0]!;
    heap[0] = heap[--size]!;
    sink(0);
    yield first;
  }
}
