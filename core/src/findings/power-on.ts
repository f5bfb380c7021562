import type { Question } from './types'

/** What is found once power is on, and at closing up. */
export const powerOn: readonly Question[] = [
  {
    id: 'power',
    ask: 'Powered without a disk, what happens?',
    topic: 'First power',
    sense: 'seen',
    several: true,
    findings: [
      {
        id: 'power.good',
        label: 'Lamp, spin and homing right',
        clean: true,
        call: 'leave',
        means: 'The drive starts normally.',
        next: 'Go on with a sacrificial disk.',
      },
      {
        id: 'power.smoke',
        label: 'Smoke, smell or a hot part',
        call: 'stop',
        means: 'Something is burning.',
        next: 'Power off; find the part before it comes on again.',
      },
      {
        id: 'power.spins',
        label: 'Spins and never stops',
        call: 'mend',
        means: 'A reversed data cable usually does just this, and no harm.',
        next: 'Look which end of the cable is pin 1.',
        onType: {
          '5.25in-serial': {
            means: 'The drive’s own processor did not finish its start: it turns the motor off when it has.',
            next: 'Measure 5 V, reset and clock at the processor; the cable to the host cannot do this.',
          },
          cartridge: {
            means: 'A cartridge drive turns its motor by its own servo board.',
            next: 'Switch off; look at the heads and the servo board before any cartridge goes in.',
          },
        },
      },
      {
        id: 'power.dead',
        label: 'Nothing at all',
        call: 'mend',
        means: 'Supply, fuse or select strap.',
        next: 'Measure the supply at the drive’s own plug first.',
      },
      {
        id: 'power.stop',
        label: 'Carriage hammers its stop',
        call: 'mend',
        means: 'It does not see track zero.',
        next: 'Sensor and flag, before anything else.',
        onType: {
          '5.25in-serial': {
            means: 'Most drives of this type have no track-zero sensor: a knock when they home is normal.',
            next: 'Count the knocks: one burst at the start is normal; again and again means that nothing is read.',
          },
        },
      },
    ],
  },
  {
    id: 'sacrifice',
    ask: 'How did the sacrificial disk come out?',
    topic: 'Sacrificial disk',
    sense: 'seen',
    findings: [
      {
        id: 'sacrifice.whole',
        label: 'Whole, no marks',
        call: 'leave',
        means: 'The drive loads and ejects without harm.',
        next: 'A disk that matters may go in once the heads are clean.',
      },
      {
        id: 'sacrifice.marked',
        label: 'With a ring or a scratch',
        call: 'stop',
        means: 'Something touches the disk.',
        next: 'No good disk in; look at heads, felt pad and hub.',
      },
      {
        id: 'sacrifice.stuck',
        label: 'It stayed in',
        call: 'mend',
        means: 'Eject does not work.',
        next: 'Manual eject, power off; look at slides and gears.',
      },
    ],
  },
  {
    id: 'protect',
    ask: 'Does write protect block and allow?',
    topic: 'Write protect',
    sense: 'measured',
    when: { not: { has: 'servo' } },
    findings: [
      {
        id: 'protect.both',
        label: 'Both, rightly',
        call: 'leave',
        means: 'A protected disk is safe in it.',
        next: 'Continue with the next step.',
      },
      {
        id: 'protect.never',
        label: 'It never blocks',
        call: 'stop',
        means: 'It would write on a protected disk.',
        next: 'No disk that matters until the sensor, switch or pin is right.',
      },
      {
        id: 'protect.always',
        label: 'It always blocks',
        also: 'write protected read only',
        call: 'mend',
        means: 'It cannot write.',
        next: 'Look at the sensor, the switch or the pin.',
      },
    ],
  },
  {
    id: 'leads',
    ask: 'Do leads and ties keep clear of what turns?',
    topic: 'Leads',
    sense: 'seen',
    findings: [
      {
        id: 'leads.clear',
        label: 'All clear',
        call: 'leave',
        means: 'Nothing will be caught.',
        next: 'Continue with the next step.',
      },
      {
        id: 'leads.near',
        label: 'One is near belt or flywheel',
        call: 'mend',
        means: 'It will be caught when the cover presses on it.',
        next: 'Tie it away.',
      },
    ],
  },
  {
    id: 'closed',
    ask: 'Tested again with its covers on',
    topic: 'Covers on',
    sense: 'measured',
    findings: [
      {
        id: 'closed.same',
        label: 'As before',
        call: 'leave',
        means: 'Closing it changed nothing.',
        next: 'Let it run long.',
      },
      {
        id: 'closed.worse',
        label: 'Worse, or not at all',
        call: 'mend',
        means: 'A crimp or a lead fails under the cover; drives come with two faults.',
        next: 'Wiggle each wire while it reads.',
      },
    ],
  },
  {
    id: 'incoming',
    ask: 'A new or donor part: what is it like?',
    topic: 'New part',
    sense: 'seen',
    places: ['belt', 'motor', 'head assembly', 'gear', 'sensor', 'capacitors', 'switch', 'shutter arm'],
    findings: [
      { id: 'incoming.good', label: 'Right and whole', call: 'leave', means: 'It may go in.', next: 'Fit it.' },
      {
        id: 'incoming.damaged',
        label: 'Damaged on its way',
        call: 'mend',
        also: 'snapped tab broken',
        means: 'New parts arrive broken too: a head with its sensor tab snapped off looks new.',
        next: 'Send it back, or repair it before it goes in.',
      },
      {
        id: 'incoming.wrong',
        label: 'Not the right one',
        call: 'mend',
        means: 'A suffix letter differs and so may the part.',
        next: 'Compare voltage, shaft, height, mounting and wiring with the old one.',
      },
      {
        id: 'incoming.aged',
        label: 'New, but aged',
        call: 'unknown',
        means: 'Rubber and grease age in the bag.',
        next: 'Look at it like an old one.',
      },
    ],
  },
]
