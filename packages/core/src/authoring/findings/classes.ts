/** How grave a finding is, the gravest first. */
export const SEVERITIES = ['stops play', 'surely wrong', 'doubtful'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** Where a finding comes from: read off the document, asked of the judge or of the ground, or seen in attempts. */
export type Source = 'document' | 'judge' | 'attempts';

/** Subjects of the classes, in the order of the list. */
export const FINDING_GROUPS = [
  'start',
  'win',
  'loss',
  'rules',
  'stars',
  'ramps',
  'difficulty',
  'ground',
  'run',
  'bouts',
  'sameness',
  'state',
] as const;
export type FindingGroup = (typeof FINDING_GROUPS)[number];

/** Searches that lead out of a finding where no patch can be computed. */
export type Remedy = 'bringThere' | 'turnRamps' | 'starShares';

interface FindingClass {
  group: FindingGroup;
  severity: Severity;
  source: Source;
  /** Name of the class in a list. */
  title: string;
  /** Searches that lead out of it. */
  remedies?: readonly Remedy[];
}

/** Every class of findings. What a class looks at and how it is mended: its file in `checks`, or `evidence`. */
export const FINDING_CLASSES = {
  'already-true': { group: 'start', severity: 'stops play', source: 'judge', title: 'Ends before anybody acts' },
  'hurt-untouched': { group: 'start', severity: 'doubtful', source: 'judge', title: 'Hurts an idle player' },
  'start-in-danger': {
    group: 'start',
    severity: 'surely wrong',
    source: 'judge',
    title: 'Starts in a wall or a hazard',
  },
  'danger-near-start': { group: 'start', severity: 'doubtful', source: 'judge', title: 'Danger close to the start' },
  'spawn-near-start': { group: 'start', severity: 'doubtful', source: 'judge', title: 'Sends enemies too near' },

  'no-way-to-win': { group: 'win', severity: 'stops play', source: 'document', title: 'No way to win' },
  'target-beyond-placed': {
    group: 'win',
    severity: 'stops play',
    source: 'judge',
    title: 'Target beyond what is placed',
  },
  'target-beyond-ground': {
    group: 'win',
    severity: 'stops play',
    source: 'judge',
    title: 'Target beyond body and ground',
  },
  'goal-unreachable': { group: 'win', severity: 'stops play', source: 'judge', title: 'Goal out of reach' },
  'piece-unreachable': { group: 'win', severity: 'doubtful', source: 'judge', title: 'Piece out of reach' },
  'gate-locks-only-way': {
    group: 'win',
    severity: 'surely wrong',
    source: 'judge',
    title: 'Gate locks the way to its latch',
  },
  'too-little-time': { group: 'win', severity: 'stops play', source: 'judge', title: 'Less time than the way takes' },
  'fastest-beyond-clock': {
    group: 'win',
    severity: 'doubtful',
    source: 'attempts',
    title: 'No attempt is fast enough',
  },
  'never-reachable': {
    group: 'win',
    severity: 'surely wrong',
    source: 'document',
    title: 'Condition that never holds',
  },
  contradiction: {
    group: 'win',
    severity: 'surely wrong',
    source: 'document',
    title: 'Conditions that exclude each other',
  },
  'exact-jumped-over': {
    group: 'win',
    severity: 'surely wrong',
    source: 'judge',
    title: 'Exact amount that no sum makes',
  },

  'brief-outdated': { group: 'win', severity: 'doubtful', source: 'document', title: 'Brief that no longer fits' },
  'no-way-to-lose': { group: 'loss', severity: 'doubtful', source: 'document', title: 'No way to lose' },
  'life-without-end': { group: 'loss', severity: 'doubtful', source: 'document', title: 'Lives that never run out' },
  'pit-without-end': {
    group: 'loss',
    severity: 'surely wrong',
    source: 'judge',
    title: 'Pit that nothing follows from',
  },
  'no-ending': { group: 'loss', severity: 'surely wrong', source: 'attempts', title: 'Attempts without an end' },
  'clock-never-starts': {
    group: 'loss',
    severity: 'surely wrong',
    source: 'document',
    title: 'Clock that never starts',
  },
  'clock-absent': { group: 'loss', severity: 'surely wrong', source: 'document', title: 'Time left without a limit' },

  'rule-shadowed': { group: 'rules', severity: 'doubtful', source: 'document', title: 'Rule that comes too late' },
  'implied-condition': {
    group: 'rules',
    severity: 'doubtful',
    source: 'document',
    title: 'Condition that adds nothing',
  },
  'rules-alike': { group: 'rules', severity: 'doubtful', source: 'document', title: 'Two rules alike' },
  'endings-can-tie': { group: 'rules', severity: 'doubtful', source: 'judge', title: 'Win and loss at once' },
  'idle-effect': { group: 'rules', severity: 'doubtful', source: 'document', title: 'Effect without effect' },
  'milestone-never-fires': {
    group: 'rules',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Milestone that no attempt fires',
  },
  'message-too-short': {
    group: 'rules',
    severity: 'doubtful',
    source: 'document',
    title: 'Message gone before it is read',
  },
  'held-too-long': { group: 'rules', severity: 'doubtful', source: 'document', title: 'Hold time above the limit' },
  'standing-off-everywhere': {
    group: 'rules',
    severity: 'doubtful',
    source: 'document',
    title: 'Standing rule that holds nowhere',
  },

  'star-out-of-order': { group: 'stars', severity: 'surely wrong', source: 'document', title: 'Stars out of order' },
  'star-unreachable': { group: 'stars', severity: 'surely wrong', source: 'judge', title: 'Star out of reach' },
  'star-given-to-all': { group: 'stars', severity: 'doubtful', source: 'judge', title: 'Star for everybody' },
  'star-nobody-earns': {
    group: 'stars',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Star that nobody earns',
  },
  'star-too-rare': {
    group: 'stars',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Last star hardly ever earned',
    remedies: ['starShares'],
  },
  'star-too-common': {
    group: 'stars',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Last star nearly always earned',
    remedies: ['starShares'],
  },
  'star-gate-beyond-earnable': {
    group: 'stars',
    severity: 'stops play',
    source: 'document',
    title: 'Asks for more stars than there are',
  },

  'ramp-leaves-sane-range': {
    group: 'ramps',
    severity: 'surely wrong',
    source: 'document',
    title: 'Leaves its sane range',
  },
  'ramp-crosses-zero': { group: 'ramps', severity: 'surely wrong', source: 'document', title: 'Falls below zero' },
  'ramp-jumps': { group: 'ramps', severity: 'doubtful', source: 'document', title: 'Jumps between two levels' },
  'ramp-never-reaches-cap': { group: 'ramps', severity: 'doubtful', source: 'document', title: 'Limit never reached' },
  'ramp-runs-away': { group: 'ramps', severity: 'doubtful', source: 'document', title: 'Runs away' },
  'ramp-flat': { group: 'ramps', severity: 'doubtful', source: 'document', title: 'Rounding swallows the ramp' },
  'pin-far-off': { group: 'ramps', severity: 'doubtful', source: 'document', title: 'Pin far off its ramp' },
  'identical-neighbours': { group: 'ramps', severity: 'doubtful', source: 'document', title: 'Neighbours alike' },
  'tier-without-level': { group: 'ramps', severity: 'doubtful', source: 'document', title: 'Tier without a level' },
  'tier-changes-nothing': {
    group: 'ramps',
    severity: 'doubtful',
    source: 'document',
    title: 'Tier that changes no number',
  },
  'formula-error': { group: 'ramps', severity: 'surely wrong', source: 'document', title: 'Formula without a number' },
  'formula-cycle': { group: 'ramps', severity: 'surely wrong', source: 'document', title: 'Formulas in a circle' },

  'never-gathered': {
    group: 'difficulty',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Piece that nobody gathers',
  },
  'enemy-never-touches': {
    group: 'difficulty',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Enemy that touches nobody',
  },
  'number-without-effect': {
    group: 'difficulty',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Number that changes nothing',
  },
  'run-ends-early': {
    group: 'difficulty',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Most runs end before the middle',
  },
  'off-wanted': {
    group: 'difficulty',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Off the wanted clear rate',
    remedies: ['bringThere', 'turnRamps'],
  },
  wall: {
    group: 'difficulty',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Much harder than the level before',
    remedies: ['bringThere'],
  },
  dip: {
    group: 'difficulty',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Easier than the level before',
    remedies: ['bringThere'],
  },
  trivial: {
    group: 'difficulty',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Nobody loses',
    remedies: ['bringThere'],
  },
  hopeless: {
    group: 'difficulty',
    severity: 'doubtful',
    source: 'attempts',
    title: 'Hardly anybody wins',
    remedies: ['bringThere'],
  },
  'one-cause': {
    group: 'difficulty',
    severity: 'doubtful',
    source: 'attempts',
    title: 'One cause for nearly all losses',
  },
  'losses-crowd': { group: 'difficulty', severity: 'doubtful', source: 'attempts', title: 'Losses crowd on one spot' },

  'piece-in-wall': { group: 'ground', severity: 'surely wrong', source: 'judge', title: 'Piece in a wall' },
  'path-through-wall': { group: 'ground', severity: 'doubtful', source: 'judge', title: 'Way through a wall' },
  'spawner-without-room': { group: 'ground', severity: 'surely wrong', source: 'judge', title: 'Spawner without room' },
  'collectable-in-hazard': { group: 'ground', severity: 'doubtful', source: 'judge', title: 'Collectable in a hazard' },
  'latch-or-gate-alone': {
    group: 'ground',
    severity: 'surely wrong',
    source: 'document',
    title: 'Latch or gate alone',
  },
  'dangers-on-one-cell': { group: 'ground', severity: 'doubtful', source: 'judge', title: 'Two dangers on one cell' },
  'tight-gap': { group: 'ground', severity: 'doubtful', source: 'judge', title: 'Gap that forgives little' },
  unused: { group: 'ground', severity: 'doubtful', source: 'document', title: 'Nothing uses it' },

  'next-leads-to-itself': {
    group: 'run',
    severity: 'surely wrong',
    source: 'document',
    title: 'A win leads back to its level',
  },
  'end-never-reached': {
    group: 'run',
    severity: 'doubtful',
    source: 'document',
    title: 'Levels after the end of the run',
  },
  'tally-never-reset': { group: 'run', severity: 'doubtful', source: 'document', title: 'Tally that only grows' },
  'life-beyond-points': {
    group: 'run',
    severity: 'doubtful',
    source: 'document',
    title: 'Extra life beyond all points',
  },
  'level-in-no-slot': { group: 'run', severity: 'doubtful', source: 'document', title: 'Level in no slot' },
  'slots-side-by-side': { group: 'run', severity: 'doubtful', source: 'document', title: 'One level twice in a row' },
  'retry-gives-back': { group: 'run', severity: 'doubtful', source: 'document', title: 'Retry that costs nothing' },

  'bout-without-end': { group: 'bouts', severity: 'surely wrong', source: 'judge', title: 'Bout that comes to no end' },
  'cannot-be-hurt': { group: 'bouts', severity: 'surely wrong', source: 'judge', title: 'Fighter nobody can hurt' },
  'one-hit-ends-it': { group: 'bouts', severity: 'doubtful', source: 'judge', title: 'One hit ends it' },
  'weights-of-nothing': {
    group: 'bouts',
    severity: 'surely wrong',
    source: 'document',
    title: 'Fighter that can do nothing',
  },
  'action-never-used': { group: 'bouts', severity: 'doubtful', source: 'document', title: 'Action nobody uses' },
  'experience-stalls': { group: 'bouts', severity: 'doubtful', source: 'document', title: 'Party that hardly grows' },
  'meetings-rare': { group: 'bouts', severity: 'doubtful', source: 'document', title: 'Meetings too rare' },
  'drop-nobody-sees': { group: 'bouts', severity: 'doubtful', source: 'document', title: 'Thing nobody gets' },

  'duplicated-literal': {
    group: 'sameness',
    severity: 'doubtful',
    source: 'document',
    title: 'One number in many levels',
  },
  'rules-repeated': {
    group: 'sameness',
    severity: 'doubtful',
    source: 'document',
    title: 'A rule repeated in most levels',
  },

  'expectation-not-met': { group: 'state', severity: 'surely wrong', source: 'judge', title: 'Expectation not met' },
} as const satisfies Record<string, FindingClass>;

/** The classes of findings, one per check. */
export type FindingCode = keyof typeof FINDING_CLASSES;

export const findingClass = (code: FindingCode): FindingClass => FINDING_CLASSES[code];
