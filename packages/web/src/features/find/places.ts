import type { Goto } from '../../address/address.ts';

/** A heading, field or act of a screen, with other words that people look for it by. */
export interface FindPlace {
  label: string;
  also: string;
  to: Goto;
  /** A selector of the element that takes the focus there. */
  focus: string;
}

const heading = (label: string, also: string, to: Goto): FindPlace => ({
  ...{ label, also, to },
  focus: `section[aria-label="${label}"] button`,
});
const named = (label: string, also: string, to: Goto, name = label): FindPlace => ({
  ...{ label, also, to },
  focus: `[aria-label^="${name}"]`,
});

const SEQUENCE: Goto = { screen: 'sequence' };
const RULES: Goto = { screen: 'level', view: 'rules' };
const GROUND: Goto = { screen: 'level', view: 'ground' };
const KINDS: Goto = { screen: 'kinds' };
const BOUTS: Goto = { screen: 'bouts' };
const RAMPS: Goto = { screen: 'ramps' };
const HAND_OFF: Goto = { screen: 'hand-off' };
const trials = (show: string): Goto => ({ screen: 'trials', trials: { show } });

/** Every heading, field and act of the screens. */
export const FIND_PLACES: readonly FindPlace[] = [
  heading('Order', 'shuffle loop random sequence after the last start over endless repeat', SEQUENCE),
  heading('Tiers', 'bands worlds chapters stages', SEQUENCE),
  heading('Opening', 'unlock star gates locked levels', SEQUENCE),
  heading('Lives', 'extra life every points game over at most', SEQUENCE),
  heading('Kept and reset', 'retry next level carry over score lives state', SEQUENCE),
  heading('Tallies', 'counters variables own', SEQUENCE),
  heading('Score', 'points composed weighted parts', SEQUENCE),
  heading('Lengths', 'feet metres units height distance scale', SEQUENCE),
  heading('Standing rules', 'every level global always', SEQUENCE),
  heading('Won when', 'win condition goal target objective victory', RULES),
  heading('Lost when', 'lose loss fail death defeat', RULES),
  heading('Clock', 'time limit timer countdown seconds par warning', RULES),
  heading('To collect', 'budget gather worth pieces pickups', RULES),
  heading('Stars', 'thresholds rating medals grade ladder', RULES),
  heading('Milestones', 'events triggers cues messages on the way', RULES),
  heading('Ending', 'freeze hold message next slot after a win after a loss', RULES),
  heading('Numbers here', 'values parameters at this level', RULES),
  heading('Decided', 'bout fight turn ground', RULES),
  named('Copy rules to…', 'several levels spread', RULES, 'Name of the level'),
  named('What the player has to do', 'brief objective line text told', RULES),
  named(
    'What can be put',
    'wall start goal exit flag zone checkpoint latch key switch gate door spawner nest emitter lane place pieces',
    GROUND,
  ),
  named('Whole ground', 'size mirror turn scatter vary copy clear resize', GROUND, 'Ground of'),
  named('As text', 'ground ascii characters paste', GROUND, 'Ground of'),
  named('Lanes of the ground', 'traffic cars rows speed compare', GROUND, 'Ground of'),
  named('The player', 'speed jump size health shooting grace character', KINDS, 'What the player is called'),
  named('What the points gathered are called', 'worth name word coins', KINDS),
  named('Kinds: add one', 'enemy hazard collectable new', KINDS, 'What the player is called'),
  heading('To gather', 'collectables coins worth', KINDS),
  heading('Enemies', 'monsters speed sight chase patrol', KINDS),
  heading('Hazards', 'spikes damage pool hurts', KINDS),
  heading('Growth', 'experience level up party needed', BOUTS),
  heading('Statistics', 'health strength guard attributes', BOUTS),
  heading('Elements', 'fire water weakness', BOUTS),
  heading('Groups', 'encounters enemies met together', BOUTS),
  heading('How a bout goes', 'order rounds gauges initiative turn seconds', BOUTS),
  heading('Meetings and pacing', 'random encounters experience coins drops', BOUTS),
  named('Compare with a snapshot', 'difference version', RAMPS, 'Compare'),
  named('Numbers as a grid', 'table spreadsheet csv values', RAMPS, 'Numbers'),
  named('Pacers', 'simulated players abilities audience', trials('table'), 'Forecasts known'),
  named('Runs through the sequence', 'funnel lives tries minutes', trials('runs'), 'Forecasts known'),
  named('Sweep a parameter', 'heat map range', trials('sweep'), 'Forecasts known'),
  named('Turn the ramps to what is wanted', 'fit difficulty curve tune all', trials('wanted'), 'Turn the ramps'),
  heading('Hand over', 'release label checks export', HAND_OFF),
  heading('Games', 'live link token connected running', HAND_OFF),
];
