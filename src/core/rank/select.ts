/**
 * The first `count` of n items by a comparison, in order, without sorting the rest.
 * @param compare negative when item a comes before item b; must be a strict order.
 */
export function selectFirst(items: Uint32Array, count: number, compare: (a: number, b: number) => number): Uint32Array {
  if (count >= items.length) return items.slice().sort(compare);
  if (count <= 0) return new Uint32Array(0);
  // A heap whose root is the last of those kept.
  const heap = items.slice(0, count);
  for (let i = (count >> 1) - 1; i >= 0; i--) sink(heap, i, compare);
  for (let i = count; i < items.length; i++) {
    if (compare(items[i], heap[0]) >= 0) continue;
    heap[0] = items[i];
    sink(heap, 0, compare);
  }
  return heap.sort(compare);
}

function sink(heap: Uint32Array, from: number, compare: (a: number, b: number) => number): void {
  for (let i = from; ; ) {
    let child = 2 * i + 1;
    if (child >= heap.length) return;
    if (child + 1 < heap.length && compare(heap[child + 1], heap[child]) > 0) child++;
    if (compare(heap[child], heap[i]) <= 0) return;
    [heap[i], heap[child]] = [heap[child], heap[i]];
    i = child;
  }
}
