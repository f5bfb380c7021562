import type { Complaint } from './types'

const c = (
  id: string,
  label: string,
  also: string,
  ...means: (readonly (readonly [string, string])[])[]
): Complaint => ({
  id,
  label,
  also,
  means: means.map(all => all.map(([check, answer]) => ({ check, answer }))),
})

const reads = (head: 'lower' | 'upper', answer: string): (readonly [string, string])[] =>
  (['outer', 'middle', 'inner'] as const).map(zone => [`read.${head}.${zone}`, answer] as const)
/** Said of a drive that turns, or that reads: nobody complains of writing where nothing is read. */
const TURNS = ['see.spin', 'yes'] as const
const READS = ['read.lower.outer', 'all'] as const
/** Some of what it reads fails: one of the zones, or it is not steady. */
const SOME = [
  [['read.lower.outer', 'some']],
  [['read.lower.middle', 'some']],
  [['read.lower.inner', 'some']],
  [['read.upper.middle', 'some']],
  [['read.upper.inner', 'some']],
  [['see.steady', 'now and then']],
] as const

/** What owners and hosts say, and what must be seen then. An answer of a check that a drive has not is left out. */
export const COMPLAINTS: readonly Complaint[] = [
  c('dead', 'Nothing happens: no lamp, no sound', 'no sign of life, will not power up', [
    ['see.lamp', 'none'],
    ['see.spin', 'no'],
    ['see.step', 'no'],
  ]),
  c('lamp-only', 'The lamp comes on, nothing turns', 'light but no motor', [
    ['see.lamp', 'normal'],
    ['see.spin', 'no'],
  ]),
  c(
    'lamp-codes',
    'The lamp flashes or stays on by itself',
    'blinking, flashing light',
    [['see.lamp', 'always']],
    [['see.flash', 'yes']],
  ),
  c('no-lamp', 'It works, but its lamp does not', 'light is out', [
    ['see.lamp', 'none'],
    ['see.spin', 'yes'],
  ]),
  c(
    'not-recognised',
    'The host does not see the drive',
    'not detected, device not present',
    [['see.host', 'no']],
    [['see.select', 'no']],
  ),
  c(
    'host-hangs',
    'The host hangs or will not start with it plugged in',
    'freezes, locks up, will not boot',
    [['see.host', 'hangs']],
    [['line.stuck', 'yes']],
  ),
  c('host-dims', 'The supply sags, the host dims or switches off', 'brown-out, trips the supply', [
    ['see.draw', 'too much'],
  ]),
  c('smoke', 'Smoke, or something gets hot', 'burning, hot chip', [['see.hot', 'hot']]),
  c('no-spin', 'It is selected and does not turn', 'motor does not run, dead motor', [['see.spin', 'no']]),
  c('spins-sometimes', 'It turns only now and then', 'intermittent motor', [['see.spin', 'sometimes']]),
  c('spins-always', 'It turns and never stops', 'motor runs all the time', [['see.motor-off', 'runs on']]),
  c('spins-slow', 'It turns too slowly', 'slow speed', [['speed.mean', 'slow']]),
  c('spins-fast', 'It turns too fast', 'fast speed', [['speed.mean', 'fast']]),
  c('spins-uneven', 'It turns unevenly', 'wow, flutter, wobble', [['speed.variation', 'uneven']]),
  c('noise-grinding', 'It grinds', 'scraping, rough noise', [['noise', 'grinding']]),
  c('noise-squeal', 'It squeals', 'whine, squeak, screech', [['noise', 'squeal']]),
  c('noise-rattle', 'It rattles', 'loose part, buzzing', [['noise', 'rattle']]),
  c('noise-click', 'It clicks', 'ticking, clicking', [['noise', 'click']], [['see.click', 'yes']]),
  c('no-step', 'The head does not move', 'stepper dead, stuck head', [['see.step', 'no']]),
  c(
    'steps-wrong',
    'The head moves, but lands beside',
    'seek error, wrong track',
    [['see.step', 'misses']],
    [['see.header', 'other']],
  ),
  c(
    'head-bangs',
    'The head knocks against its stop again and again',
    'hammering, bangs',
    [['see.home', 'knocks']],
    [['see.click', 'yes']],
  ),
  c(
    'no-home',
    'It never finds track zero',
    'recalibrate fails, seek error at start',
    [['see.home', 'never']],
    [['see.home', 'knocks']],
  ),
  c('no-load', 'A disk does not go in', 'will not load, jammed', [['see.load', 'no']], [['see.load', 'stiff']]),
  c('no-eject', 'A disk does not come out', 'will not eject, stuck disk, eject broken', [['see.eject', 'no']]),
  c('ejects-half', 'The disk comes out half way', 'weak eject', [['see.eject', 'half']]),
  c('ejects-by-itself', 'The disk comes out by itself', 'spits the disk out', [['see.eject', 'itself']]),
  c('disk-damaged', 'Disks come out scratched or torn', 'ring on the disk, scored', [['see.marks', 'marked']]),
  c(
    'no-disk',
    'It says that there is no disk',
    'no disk, insert disk, drive empty',
    [['see.disk-in', 'never']],
    [['see.ready', 'no']],
  ),
  c('thinks-disk-in', 'It says that there is a disk when there is none', 'never empty', [['see.disk-in', 'always']]),
  c('change-unseen', 'It shows the last disk’s files after another went in', 'old directory, disk change', [
    ['see.change', 'last'],
    READS,
  ]),
  c('always-protected', 'Every disk counts as protected', 'write protected, read only', [
    ['see.protect', 'always'],
    TURNS,
  ]),
  c('never-protected', 'Protected disks are written', 'ignores the tab', [
    ['see.protect', 'never'],
    ['see.write', 'right'],
  ]),
  c('wrong-density', 'It takes one density for the other', 'wrong format, high density as double', [
    ['see.density', 'wrong'],
  ]),
  c(
    'reads-nothing',
    'It is recognised, it turns, and reads no disk at all',
    'reads nothing, read error on every disk, unreadable, no data',
    [['see.spin', 'yes'], ['see.host', 'yes'], ...reads('lower', 'none')],
  ),
  c(
    'reads-one-side',
    'One side reads, the other does not',
    'single side, head 1 fails',
    [...reads('lower', 'all'), ['read.upper.middle', 'none'], ['read.upper.outer', 'none']],
    [...reads('upper', 'all'), ['read.lower.middle', 'none'], ['read.lower.outer', 'none']],
  ),
  c(
    'reads-outer',
    'Only the outer tracks read',
    'fails towards the hub, high tracks',
    [
      ['read.lower.outer', 'all'],
      ['read.lower.inner', 'none'],
    ],
    [
      ['read.lower.outer', 'all'],
      ['read.lower.inner', 'some'],
    ],
    [
      ['read.upper.outer', 'all'],
      ['read.upper.inner', 'none'],
    ],
  ),
  c(
    'reads-inner',
    'Only the inner tracks read',
    'fails on the first tracks',
    [
      ['read.lower.outer', 'none'],
      ['read.lower.inner', 'all'],
    ],
    [
      ['read.lower.outer', 'some'],
      ['read.lower.inner', 'all'],
    ],
  ),
  c('reads-some-disks', 'Some disks read, others do not', 'picky, certain disks', [['disks.share', 'some']]),
  c('reads-own-only', 'It reads what it wrote, and nothing else', 'only its own disks', [['disks.share', 'own']]),
  c('reads-sometimes', 'It reads now and then', 'intermittent, boots at the fourth try', [
    ['see.steady', 'now and then'],
    TURNS,
  ]),
  c('reads-cold', 'It reads until it is warm', 'fails when warm', [['warm.changes', 'worse']]),
  c('reads-warm', 'It reads only when it is warm', 'needs to warm up', [['warm.changes', 'better']]),
  c(
    'slow-retries',
    'It reads, but slowly, with retries',
    'retries, takes long',
    ...SOME.map(([seen]) => [seen, TURNS]),
  ),
  c('not-elsewhere', 'Its disks do not read in other drives', 'others cannot read them', [
    ['written.elsewhere', 'fails'],
    READS,
  ]),
  c('no-format', 'It does not format', 'format fails', [['see.format', 'no'], READS]),
  c('no-write', 'It does not write', 'cannot save', [['see.write', 'no'], READS]),
  c('write-errors', 'It writes with errors', 'verify errors', [['see.write', 'errors'], READS]),
  c('only-when-open', 'It works with its covers off only', 'fails when closed', [['covers', 'off only']]),
  c('only-when-closed', 'It works with its covers on only', 'fails in light', [['covers', 'on only']]),
  c('after-work', 'It worked before somebody was inside', 'after repair, after cleaning', [['history.inside', 'yes']]),
  c('not-ready', 'It turns, but never says ready', 'drive not ready', [
    ['see.spin', 'yes'],
    ['see.ready', 'no'],
  ]),
  c('stops-turning', 'It stops in the middle of reading', 'motor cuts out', [['see.spin', 'stops']]),
  c('no-seek', 'The head does not move when power comes', 'no seek at switch-on', [['see.step', 'no']]),
  c('never-tried', 'Nobody knows: it was never tried', 'untested, unknown'),
  c('not-reproduced', 'The owner’s complaint does not show here', 'no fault found'),
]
