import { step, type Procedure } from '../procedure'

/** Disks that shed, stick or are mouldy: what is done before one goes into any drive (common practice; from memory). */
export const MEDIA: readonly Procedure[] = [
  {
    id: 'wash-disk',
    title: 'Make a mouldy or dirty disk fit to be read',
    parts: [],
    compare: [],
    steps: [
      step(
        'gate',
        'Put it into no drive before it is clean',
        'Mould and loose oxide tear heads, and the next disks with them.',
        1,
      ),
      step(
        'look',
        'Turn it in its jacket by hand and look through the head opening',
        'Rings, spots or a bare patch: the layer is coming off.',
        4,
        { tools: ['lamp', 'lens'] },
      ),
      step('open', 'Open the jacket on one edge, and slide the disk out', 'Held by its rim and hub only.', 6, {
        tools: ['flat blade', 'gloves'],
      }),
      step(
        'wash',
        'Wash it with deionised water, a drop of detergent, a soft swab',
        'From the hub outward, no pressure. A layer that comes off with this is lost.',
        10,
        {
          tools: ['deionised water', 'lint-free swabs', 'gloves'],
        },
      ),
      step('dry', 'Rinse, and let it dry flat in the air', 'Warmth warps it.', 3, {
        tools: ['deionised water', 'lint-free paper'],
        wait: { what: 'Disk dries', minutes: 720, rests: ['disk'] },
      }),
      step('shell', 'Put it into a clean jacket or shell of the same kind', 'The old liner is full of spores.', 5, {
        tools: ['clean jacket'],
      }),
      step(
        'read',
        'Read it at once, in a drive whose heads can be cleaned',
        'It may not read a second time: save what comes.',
        10,
        { tools: ['drive for unknown disks'] },
      ),
      step('heads', 'Look at the heads, and clean them', 'After every unknown disk.', 6, {
        tools: ['lint-free swabs', 'isopropyl alcohol', 'lens'],
        cautions: ['alcohol'],
      }),
    ],
  },
  {
    id: 'sticky-disk',
    title: 'Read a disk that sheds or squeals',
    parts: [],
    compare: [],
    steps: [
      step(
        'stop',
        'Stop it as soon as it squeals',
        'The binder has gone sticky: each revolution takes some of the layer.',
        1,
      ),
      step('heads', 'Clean the heads before anything else', 'What it left there scratches the next disk.', 6, {
        tools: ['lint-free swabs', 'isopropyl alcohol'],
        cautions: ['alcohol'],
      }),
      step(
        'decide',
        'Decide whether what it holds is worth a specialist',
        'A second try may be the last: what cannot be lost goes to somebody who does this every day.',
        5,
      ),
      step(
        'once',
        'Record all tracks in one run, the ones that matter first',
        'Fewest revolutions, no retries on the way.',
        10,
        { tools: ['recording of the data line'] },
      ),
      step('after', 'Clean and look at the heads again', 'After every unknown disk.', 6, {
        tools: ['lint-free swabs', 'isopropyl alcohol', 'lens'],
        cautions: ['alcohol'],
      }),
    ],
  },
]
