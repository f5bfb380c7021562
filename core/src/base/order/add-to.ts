/**
 * Adds a value to the list that a map holds under a key; the first one begins it.
 * @example (lists => { addTo(lists, 'a', 1); addTo(lists, 'a', 2); return [...lists] })(new Map()) // [['a', [1, 2]]]
 */
export function addTo<K, V>(lists: Map<K, V[]>, key: K, value: V): void {
  const list = lists.get(key)
  if (list) list.push(value)
  else lists.set(key, [value])
}
