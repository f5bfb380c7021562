import type { Question } from './types'

/** Boards, parts and plugs, looked at without power. */
export const boards: readonly Question[] = [
  {
    id: 'smell', ask: 'What does the board smell of?', sense: 'smelt', several: true,
    findings: [
      { id: 'smell.none', label: 'Nothing', clean: true, call: 'leave', means: 'No smell of leakage or burning.', next: 'Go on.' },
      { id: 'smell.fish', label: 'Fish', call: 'mend', means: 'Fish near the board is leaked electrolyte; a capacitor check was added.', next: 'Find which capacitor, neutralise, clean, and replace it.' },
      { id: 'smell.burnt', label: 'Burnt', call: 'stop', means: 'A burnt smell is a shorted part; power would burn what is left.', next: 'Look for a dark spot, and measure the supply pins for a short.' },
      { id: 'smell.must', label: 'Must, mould', call: 'mend', means: 'Mould grows on belts, disks and felt.', next: 'Brush it off outdoors, then alcohol; look at the belt.' },
    ],
  },
  {
    id: 'corrosion', ask: 'Is there corrosion, and where?', sense: 'seen', several: true,
    places: ['board near the capacitors', 'connector', 'motor or stepper', 'rail or lead screw', 'chassis', 'spindle'],
    findings: [
      { id: 'corrosion.none', label: 'None', clean: true, call: 'leave', means: 'Nothing to neutralise.', next: 'Go on.' },
      { id: 'corrosion.green', label: 'Green or blue crust', call: 'mend', also: 'copper verdigris', means: 'Copper eaten by leaked electrolyte: alkaline, and still at work.', next: 'A little white vinegar, then alcohol, then dry; check the traces under it.' },
      { id: 'corrosion.white', label: 'White crust or fur', call: 'mend', also: 'alkaline powder zinc', means: 'Leaked alkali, or zinc and aluminium going.', next: 'Neutralise by the cleaning adviser; gloves, and no dust in the eyes.' },
      { id: 'corrosion.rust', label: 'Red-brown rust', call: 'mend', means: 'Rust on a rail or screw stops the carriage; on a cover it only looks bad.', next: 'Off the running surfaces with oil and a fibre pencil; let no dust reach the heads.' },
      { id: 'corrosion.black', label: 'Black, dull contacts', call: 'mend', also: 'tarnish', means: 'Dull contacts read wrong now and then.', next: 'Contact spray, then alcohol, and a wiggle while reading.' },
      { id: 'corrosion.cleaned', label: 'Neutralised and dry', clean: true, clears: ['smell.fish'], call: 'leave', means: 'The crust is off and what was under it is dry.', next: 'Look at the traces with a lens.' },
    ],
  },
  {
    id: 'caps', ask: 'What are the capacitors like?', sense: 'seen', several: true,
    findings: [
      { id: 'caps.sound', label: 'Dry, flat, all there', clean: true, call: 'leave', means: 'Nothing has leaked that can be seen.', next: 'Go on.' },
      { id: 'caps.leaking', label: 'Leaking', call: 'mend', means: 'It eats the board and is no longer a capacitor; no power until it is off.', next: 'Take it off, neutralise, clean, and fit a new one: same value, equal or higher voltage, right way round.' },
      { id: 'caps.bulged', label: 'Bulged or burst', call: 'mend', means: 'It has boiled once and will again.', next: 'Replace it before any power.' },
      { id: 'caps.missing', label: 'One is missing', call: 'mend', means: 'Without it a supply or a reset misbehaves.', next: 'Read its value from a sister drive.' },
      { id: 'caps.low', label: 'Reads far below its mark', call: 'mend', means: 'It has dried out, even allowing for the circuit round it.', next: 'Replace it and its fellows of the same series.' },
      { id: 'caps.replaced', label: 'Replaced', clean: true, clears: ['smell.fish'], call: 'leave', means: 'New capacitors are in.', next: 'Check each one’s polarity against the record once more.' },
    ],
  },
  {
    id: 'shorts', ask: 'Ohms from each supply pin to ground, no power', sense: 'measured',
    measured: {
      label: 'Lowest reading', unit: 'Ω', min: 0, max: 1e7, source: 'common practice; 10 Ω and 50 Ω from memory',
      bands: [{ below: 10, finding: 'shorts.found' }, { below: 50, finding: 'shorts.low' }, { below: Infinity, finding: 'shorts.none' }],
    },
    findings: [
      { id: 'shorts.none', label: 'No short', call: 'leave', means: 'The supply will not meet a dead short.', next: 'Go on.' },
      { id: 'shorts.low', label: 'Low, not a short', call: 'unknown', means: 'A motor winding reads low too; a sick chip may as well.', next: 'Unplug the motor and measure again.' },
      { id: 'shorts.found', label: 'A short', call: 'stop', means: 'Power would burn the shorted part or the supply.', next: 'Find the part: feel, look for a dark spot, lift one leg at a time.' },
    ],
  },
  {
    id: 'chips', ask: 'What are the chips like?', sense: 'seen', several: true,
    findings: [
      { id: 'chips.sound', label: 'Clean, even, legs whole', clean: true, call: 'leave', means: 'Nothing shows from outside.', next: 'Go on.' },
      { id: 'chips.spot', label: 'Dark spot in the middle', call: 'stop', means: 'A dark spot over the substrate is a shorted chip.', next: 'No power until it is replaced.' },
      { id: 'chips.legs', label: 'Legs black or cracked', call: 'mend', means: 'A leg that breaks under the probe was broken before.', next: 'Test each leg with the lightest touch under a lens.' },
      { id: 'chips.replaced', label: 'Replaced', clean: true, clears: ['smell.burnt', 'shorts.found'], call: 'leave', means: 'The bad chip is out.', next: 'Measure the supply pins for a short again.' },
    ],
  },
  {
    id: 'pins', ask: 'What are the pins of plugs and straps like?', sense: 'seen', several: true, places: ['data connector', 'power connector', 'head plug', 'strap block'],
    findings: [
      { id: 'pins.straight', label: 'Straight and whole', clean: true, call: 'leave', means: 'Plugs will go on as they came off.', next: 'Go on.' },
      { id: 'pins.bent', label: 'Bent', call: 'mend', means: 'Pins may snap when straightened: what they carried must be known before.', next: 'Record every strap first, then straighten once, slowly, with warm pliers.' },
      { id: 'pins.snapped', label: 'Snapped off', call: 'mend', means: 'The strap or line it carried is lost until re-made.', next: 'Record which; a new header or a wire re-makes it.' },
      { id: 'pins.cracked', label: 'Joint cracked', call: 'mend', means: 'A ring round the pin is a joint that opens when warm.', next: 'Re-solder with fresh solder and flux.' },
      { id: 'pins.remade', label: 'Re-made', clean: true, call: 'leave', means: 'The pin carries again.', next: 'Ring it out.' },
    ],
  },
  {
    id: 'supply', ask: 'What proves the supply’s wires?', sense: 'measured',
    findings: [
      { id: 'supply.proved', label: 'Each measured and rung out', call: 'leave', means: 'Voltage of each wire, and its way to a logic chip’s supply pins, agree.', next: 'Go on.' },
      { id: 'supply.host', label: 'Its own host’s keyed plug', call: 'leave', means: 'The plug that belongs to it cannot be turned round.', next: 'See that its key is whole.' },
      { id: 'supply.colours', label: 'Only their colours', call: 'stop', means: 'Colours prove nothing: a reversed power plug kills.', next: 'Measure each wire, then ring out from the plug to a logic chip’s supply pins.' },
    ],
  },
  {
    id: 'mains', ask: 'Who has looked at the mains side and the tube?', sense: 'seen', when: { has: 'picture-tube' },
    findings: [
      { id: 'mains.qualified', label: 'A qualified person', call: 'leave', means: 'Made safe by somebody who may.', next: 'Keep to what they said; local rules prevail.' },
      { id: 'mains.none', label: 'Nobody yet', call: 'stop', means: 'A picture tube holds high voltage long after switch-off.', next: 'Leave the case closed until a qualified person has made it safe.' },
      { id: 'mains.apart', label: 'Drive taken out by them', call: 'leave', means: 'The drive is out of the case and runs from a supply of its own.', next: 'Go on, away from the open case.' },
    ],
  },
]
