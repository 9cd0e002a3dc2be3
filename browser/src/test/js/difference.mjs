/** Where two answers differ, or nothing: numbers by their bits, texts by their letters, what is absent by its absence. */
export function difference(a, b, at = '') {
  if (typeof a === 'number' && typeof b === 'number') return Object.is(a, b) ? undefined : `${at}: ${a} <> ${b}`
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null)
    return a === b ? undefined : `${at}: ${apart(a, b)}`
  for (const key of new Set([...Object.keys(a), ...Object.keys(b)])) {
    const d = difference(a[key], b[key], `${at}/${key}`)
    if (d) return d
  }
  return undefined
}

/** From a little before the first letter that is another. */
function apart(a, b) {
  const [x, y] = [a, b].map((v) => JSON.stringify(v) ?? 'absent')
  let i = 0
  while (i < x.length && x[i] === y[i]) i++
  const from = Math.max(0, i - 30)
  return `${x.slice(from, i + 60)} <> ${y.slice(from, i + 60)}`
}
