import { literal, type Effect, type EffectName, type Project } from '@stadion/core/document/model';
import type { Choice } from '../ui/index.ts';
import type { LevelContext } from '../readings/levelContext.ts';

/** Pieces of the level that an effect can act on, as choices for a chip. */
export function pieceChoices({ level, names }: LevelContext, ...sorts: string[]): Choice[] {
  return level.ground.pieces
    .filter((piece) => sorts.includes(piece.piece))
    .map((piece) => ({ value: piece.id, label: names.pieces[piece.id] ?? piece.id }));
}

/** Spawners that wait for a milestone, and collectables that are hidden. */
export const waveChoices = (here: LevelContext): Choice[] =>
  pieceChoices(here, 'spawner').filter(({ value }) =>
    here.level.ground.pieces.some(
      (piece) => piece.id === value && piece.piece === 'spawner' && piece.starts === 'milestone',
    ),
  );
export const hiddenChoices = (here: LevelContext): Choice[] =>
  pieceChoices(here, 'collectable').filter(({ value }) =>
    here.level.ground.pieces.some((piece) => piece.id === value && piece.piece === 'collectable' && piece.hidden),
  );

/** A new effect of each sort with what is likely; undefined where the level has nothing to act on. */
const NEW_EFFECTS: { readonly [N in EffectName]: { label: string; make: (here: LevelContext) => Effect | undefined } } =
  {
    win: { label: 'the level is won', make: () => ({ effect: 'win' }) },
    lose: { label: 'the level is lost', make: () => ({ effect: 'lose', cause: 'Lost' }) },
    loseLife: {
      label: 'it costs a life',
      make: () => ({ effect: 'loseLife', lives: literal(1), back: 'start', resets: [] }),
    },
    back: { label: 'the player is put back to the start', make: () => ({ effect: 'back', to: 'start' }) },
    gate: {
      label: 'a gate opens or closes',
      make: (here) => {
        const [gate] = pieceChoices(here, 'gate');
        return gate && { effect: 'gate', gate: gate.value, open: true };
      },
    },
    wave: {
      label: 'a wave is sent',
      make: (here) => {
        const [spawner] = waveChoices(here);
        return spawner && { effect: 'wave', spawner: spawner.value };
      },
    },
    reveal: {
      label: 'a hidden piece is revealed',
      make: (here) => {
        const [piece] = hiddenChoices(here);
        return piece && { effect: 'reveal', piece: piece.value };
      },
    },
    parameter: {
      label: 'a parameter changes for the rest of the attempt',
      make: ({ project }) => {
        const [parameter] = project.parameters;
        return parameter && { effect: 'parameter', parameter: parameter.key, change: 'times', by: literal(1.2) };
      },
    },
    message: {
      label: 'a message is shown',
      make: () => ({ effect: 'message', text: 'Well done!', seconds: literal(3) }),
    },
    cue: { label: 'a cue for the game', make: () => ({ effect: 'cue', name: 'cue' }) },
    score: { label: 'points are added to the score', make: () => ({ effect: 'score', add: literal(10) }) },
    tally: {
      label: 'a tally of your own counts',
      make: ({ project }) => {
        const [tally] = project.tallies;
        return tally && { effect: 'tally', tally: tally.id, add: literal(1) };
      },
    },
    heal: { label: 'it heals', make: () => ({ effect: 'heal', by: literal(20) }) },
    hurt: { label: 'it hurts', make: () => ({ effect: 'hurt', by: literal(20) }) },
  };

/** The name of each sort of effect in a list. */
export const EFFECT_LABELS = Object.fromEntries(
  Object.entries(NEW_EFFECTS).map(([name, { label }]) => [name, label]),
) as Readonly<Record<EffectName, string>>;

/** Effects that a rule can have at this level, as commands. */
export function newEffects(here: LevelContext): { label: string; effect: Effect }[] {
  return Object.values(NEW_EFFECTS).flatMap(({ label, make }) => {
    const effect = make(here);
    return effect ? [{ label, effect }] : [];
  });
}

/** Parts that a lost life can reset, by name. */
export const losable = (project: Pick<Project, 'tallies'>): Choice[] => [
  { value: 'gathered', label: 'what was gathered' },
  { value: 'score', label: 'points of milestones' },
  { value: 'health', label: 'the damage taken' },
  { value: 'clock', label: 'the time gone' },
  { value: 'latches', label: 'latches and gates' },
  ...project.tallies.map((tally) => ({ value: tally.id, label: `“${tally.name}”` })),
];
