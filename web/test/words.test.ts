import { execFileSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { GLOSSARY } from '../shared/glossary'
import { HOUSE_WORDS } from './helpers/house-words'
import { visibleStrings } from './helpers/visible-strings'

const root = join(import.meta.dirname, '../..')
const sources = execFileSync(
  'git',
  ['ls-files', '-co', '--exclude-standard', 'core/src', 'web/app', 'web/server', 'cli/src'],
  {
    cwd: root,
    encoding: 'utf8',
  },
)
  .split('\n')
  .filter(f => /\.(?:ts|vue)$/.test(f))

/** Labels and sentences that were replaced by plainer ones; none of them may come back. */
const RETIRED = [
  'Keep this with which drive?',
  'Put on its log',
  '>Not now<',
  '>Leave them<',
  '>Leave it closed<',
  '>Pass it<',
  'Put it away',
  'Read; I keep to it',
  'It is over already',
  'Not to be said',
  'Empty it',
  'Come to from',
  'Tried it<',
  'For your hands now',
  'How does it leave?',
  'Found, and still so',
  'not with its covers on',
  'Who is to blame',
  'One failure condemns nothing',
  'What can be behind the surface',
  'Every line is low when true',
  'It has boiled once',
  'The rubber is on its way',
  'Gone to goo',
  'gone either way',
  'It matters to somebody',
  'One octave is',
  'hangs by a thread',
]

describe('words', () => {
  it('a sentence that was replaced does not come back', () => {
    const found = sources.flatMap(file => {
      const text = readFileSync(join(root, file), 'utf8')
      return RETIRED.filter(r => text.includes(r)).map(r => `${file}: ${r}`)
    })
    expect(found).toEqual([])
  })
  it('a word of the glossary’s last column stands nowhere in that sense', { timeout: 120_000 }, () => {
    const texts = visibleStrings()
    expect(texts.length).toBeGreaterThan(3000)
    const found = texts.flatMap(({ file, text }) =>
      HOUSE_WORDS.filter(w => w.instead.test(text) && !w.but?.test(text)).map(w => `${file}: “${text}”: say ${w.say}`),
    )
    expect(found).toEqual([])
  })
  it('the glossary in the documents is the one of the Handbook', () => {
    const doc = readFileSync(join(root, 'docs/glossary.md'), 'utf8')
    for (const { term, means } of GLOSSARY) expect(doc).toContain(`| ${term} | ${means} |`)
    expect(new Set(GLOSSARY.map(t => t.term)).size).toBe(GLOSSARY.length)
  })
})
