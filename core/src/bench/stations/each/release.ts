import type { Station } from '../station'

/** How it leaves. */
export const release: Station = {
  id: 'release',
  label: 'Release',
  purpose: 'Say what was shown and what was not.',
  cautions: [],
  steps: [
    {
      id: 'release.read',
      title: 'Read the certificate through',
      why: 'It says only what the log can verify.',
      tools: [],
      hands: 5,
      makes: 'Letting it go.',
    },
    {
      id: 'release.card',
      title: 'Lever closed, or a transit card in',
      why: 'A lever left open can warp the head arm on its way and in storage.',
      tools: ['transit card'],
      hands: 1,
      makes: 'The way back to its owner.',
      when: { has: 'lever' },
    },
    {
      id: 'release.next',
      title: 'Note what to do next time',
      why: 'Belt age, oil, the disk it was verified with.',
      tools: [],
      hands: 3,
      records: ['note'],
      makes: 'The next service.',
    },
  ],
}
