/** A word that the glossary replaces, and where it may stand in another sense. */
export interface HouseWord {
  /** The term of the glossary that is said instead. */
  readonly say: string
  readonly instead: RegExp
  /** Uses in another sense. */
  readonly but?: RegExp
}

/** The last column of the glossary: words that no page, message or sentence uses in that sense. */
export const HOUSE_WORDS: readonly HouseWord[] = [
  { say: 'calculator', instead: /\bsums?\b/i, but: /json_extract/ },
  { say: 'recording', instead: /\bcaptures?\b/i, but: /\$scope module capture|captures\/ / },
  { say: 'simulated drive', instead: /\bstand-ins?\b/i },
  {
    say: 'timing window, timing margin or range',
    instead: /\bwindows?\b/i,
    but: /timing windows?|half (the )?window|plastic windows|[Oo]ptical window|open window|heads or window|loft or a window|index window/,
  },
  { say: 'position', instead: /\b(every|each|one|a|last|of) tr(y|ies)\b/i },
  { say: 'flux transition', instead: /turns? of the flux/i },
  {
    say: 'revolution',
    instead:
      /once a turn\b|twice a turn\b|every turn\b|turns? of the disk|pulses? (per|a|in a) turn|Turn by turn|within a turn/i,
  },
  { say: 'off track', instead: /\b(off|beside) (its|their|a|the) tracks?\b/i, but: /beside the track centre/ },
  { say: 'low read amplitude', instead: /\bweak (upper |lower )?heads?\b/i },
  { say: 'unstable sector', instead: /\bweak sectors?\b/i },
  { say: 'wrong-cylinder header', instead: /\bforeign\b/i },
  { say: 'read without error', instead: /\breads? whole\b/i },
  { say: 'step count', instead: /\b(by|than|against) the count\b/i },
  { say: 'track-zero position', instead: /\bhome (itself|is off|is never)\b/i },
  { say: 'cat’s-eye lobes', instead: /\bhumps?\b/i },
  { say: 'reference disk', instead: /\btrusted (disk|drive)|known-good disk/i },
  { say: 'sacrificial disk', instead: /\b(may|can) be lost\b/i },
  { say: 'identical drive', instead: /\b(sisters?|siblings?)\b/i },
  { say: 'drive type', instead: /\bclass(es)?\b|kinds? of drive/i },
  { say: 'active low', instead: /low when true/i },
  { say: 'inverted', instead: /levels? (is|are) turned over/i },
  { say: 'not valid', instead: /\bmeans? nothing\b/i },
  { say: 'double stepping', instead: /stepped (over )?twice/i },
  { say: 'continuity check', instead: /\br[iu]ng(s|ing)? (it |them |each )?out\b/i },
  { say: 'write-enabled', instead: /\b(write|writes) an open disk\b/i },
  { say: 'covers on, off', instead: /\bclosed? up\b|\bclosing up\b/i },
  { say: 'intact, damaged', instead: /\bhurts?\b|(lacquer|seals?|heads|belt) (is|are) whole/i, but: /hurt a person/ },
  { say: 'hardened grease', instead: /\bset grease\b|\bset like varnish\b/i },
  { say: 'sticky belt', instead: /\bgoo\b/i, but: /belt\.goo/ },
  {
    say: 'guide rail, supply voltage',
    instead: /\brails?\b/i,
    // The drawing of a surface is the product's own rail.
    but: /[Gg]uide rails?|rail or lead screw|Rail, from the spindle|above the rail|Rail of|small rail|its rail|on the rail/,
  },
  {
    say: 'safety gate',
    instead: /\b(a|the|closed|open|next) gates?\b|\bgate closed\b/i,
    but: /[Ss]afety gate|a gate between/,
  },
  { say: 'override', instead: /\bpass(ed)? (a|the|its|this) (safety )?gate/i },
  { say: 'verified level', instead: /\brungs?\b|\bclaims?\b/i },
  { say: 'verified', instead: /\b(was|is|are|not|nothing|nobody) proved\b|\bproven\b|\bproves? nothing\b/i },
  { say: 'method', instead: /\bschools?\b/i, but: /(speed|lubricant)-school/ },
  { say: 'strip for parts', instead: /\bpart(ed|ing)? (it )?out\b|\bgiven up\b/i, but: /^given up$/ },
  { say: 'is not a …', instead: /(?<!there )\b(is|are) no (number|JSON|certificate|drive|disk|recording|choice)\b/i },
  { say: 'again', instead: /\banew\b|\bamiss\b|at a pinch|by a thread/i },
]
