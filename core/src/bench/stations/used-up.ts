import type { Walk } from './walk'

/** Tools of steps that are used up, and what to have at hand for them. */
const USED_UP: Readonly<Record<string, string>> = {
  'contact spray': 'Contact spray',
  'cotton bud': 'Cotton buds',
  'deionised water': 'Deionised water',
  'dry swab': 'Swabs',
  'isopropyl alcohol': 'Isopropyl alcohol',
  lacquer: 'Sealing lacquer',
  'light oil': 'Light oil',
  'light oil or grease': 'Light oil or thin grease',
  'lint-free swabs': 'Lint-free swabs',
  'lint-free tip': 'Lint-free swabs',
  'penetrating oil': 'Penetrating oil',
  'sacrificial disk': 'Sacrificial disk',
  swab: 'Swabs',
  swabs: 'Swabs',
  'white vinegar': 'White vinegar',
}

/** What the steps that are still needed on a drive use up. */
export const usedUpBy = (way: Pick<Walk, 'stations'>): string[] => [
  ...new Set(
    way.stations
      .flatMap(s => s.steps)
      .filter(s => s.needed && !s.done)
      .flatMap(s => s.step.tools)
      .flatMap(tool => USED_UP[tool] ?? []),
  ),
]
