import { mayGive, type Box, type Pool } from './box'

const list = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words.at(-1)}`

/** What a pooling comes to, in sentences. */
export function sayPool(box: Box, { works, donors, left, proved, minutes }: Omit<Pool, 'says'>): string {
  const moved = works.filter(w => Object.keys(w.from).length)
  const asIs = works.filter(w => !Object.keys(w.from).length).map(w => w.drive)
  const used = donors.filter(id => box.drives.some(d => d.id === id && d.inUse))
  const kept = box.drives.filter(d => !mayGive(d, box)).map(d => d.id)
  const unknown = [...new Set(moved.flatMap(w => Object.keys(w.from)))].filter(p => box.moves[p] === undefined)
  return [
    ...moved.map(
      w =>
        `${w.drive} can be made to work with ${list(Object.entries(w.from).map(([part, id]) => `the ${part} of ${id}`))}.`,
    ),
    asIs.length ? `${list(asIs)} ${asIs.length > 1 ? 'need' : 'needs'} no part.` : '',
    works.length === 0 ? 'No drive can be made to work: each lacks a part that is good in no other.' : '',
    left.length ? `${list(left)} ${left.length > 1 ? 'stay as donors' : 'stays as a donor'}.` : '',
    used.length
      ? `${list(used)} ${used.length > 1 ? 'are' : 'is'} in use and ${used.length > 1 ? 'give' : 'gives'} a part: that is owed.`
      : '',
    kept.length && left.length ? `Nothing is taken from ${list(kept)}, in use.` : '',
    minutes > 0 ? `Moving the parts takes ${minutes} min.` : '',
    unknown.length ? `How long it takes to move ${list(unknown.map(p => `the ${p}`))} is not known.` : '',
    moved.length ? 'Whatever was moved is to be proved again.' : '',
    proved ? '' : 'Not every choice was looked at: there may be a better one.',
  ]
    .filter(Boolean)
    .join(' ')
}
