import { removeAt, removeKind, removeTally, usesOfKind, type AnyKind, type KindRole } from '../../edits/index.ts';
import { memoizeByObject } from '../../../basics/memo/index.ts';
import { pointerOf, type Level, type Piece, type Project } from '../../../document/model/index.ts';
import { namesIn } from '../../../document/ramps/index.ts';
import { leaves } from '../../../play/rules/index.ts';
import type { Check, Found, Mend } from '../finding.ts';
import { followedBy, kindsPlaced } from '../scopes.ts';

interface Spare {
  path: (string | number)[];
  words: string;
  reason: string;
  slotId?: string;
  /** The edit that removes it; its removal alone when absent, none when null. */
  mend?: Mend | null;
}

type Zone = Extract<Piece, { piece: 'zone' }>;

/** The zones of a level that its own rules, clock and stars do not name. */
const unnamedZones = memoizeByObject(({ ground, ...rest }: Level): Zone[] => {
  const words = JSON.stringify(rest);
  return ground.pieces.filter(
    (piece): piece is Zone => piece.piece === 'zone' && !words.includes(JSON.stringify(piece.id)),
  );
});
/** The tallies that rules count or look at. */
const talliesIn = memoizeByObject((rules: Level['rules']): string[] =>
  rules.flatMap(({ when, then }) => [
    ...leaves(when).flatMap(({ leaf: { reading } }) => (reading.reading === 'tally' ? [reading.tally] : [])),
    ...then.flatMap((effect) => (effect.effect === 'tally' ? [effect.tally] : [])),
  ]),
);

/** Zones that no rule, clock or star names. */
function spareZones(project: Project): Spare[] {
  const seen = new Set<string>();
  const standing = JSON.stringify(project.standing);
  return project.slots.flatMap(({ id: slotId, levelId }) => {
    const level = project.levels[levelId];
    if (!level || seen.has(levelId)) return [];
    seen.add(levelId);
    return unnamedZones(level).flatMap((piece): Spare[] =>
      !standing.includes(JSON.stringify(piece.id))
        ? [
            {
              slotId,
              path: ['levels', levelId, 'ground', 'pieces', piece.id],
              words: `The zone “${piece.name}”`,
              reason: 'No rule, clock or star of its level names it.',
            },
          ]
        : [],
    );
  });
}

function spareKinds(project: Project): Spare[] {
  const levels = Object.values(project.levels);
  const isPlaced = (kind: string): boolean => levels.some((level) => kindsPlaced(level).has(kind));
  return (['collectables', 'enemies', 'hazards'] as const).flatMap((of) =>
    project.kinds[of].flatMap(({ id, name }): Spare[] =>
      isPlaced(id)
        ? []
        : [
            {
              path: ['kinds', of, id],
              words: `The kind “${name}”`,
              reason: 'No level has one, and no spawner, emitter or lane sends one.',
              mend: mendOfKind(project, of, id),
            },
          ],
    ),
  );
}

/** Removes a kind with the standing rules on its touch. Where anything else names the kind, the designer decides. */
function mendOfKind(project: Project, role: KindRole, id: string): Mend | null {
  const kind = (project.kinds[role] as AnyKind[]).find((entry) => entry.id === id) as AnyKind;
  const uses = usesOfKind(project, role, id, (rule) => rule.id);
  const touches = project.standing.filter(
    ({ when }) => when.is === 'onOff' && when.reading.reading === 'touching' && when.reading.kind === id,
  );
  if (uses.named.length > (role === 'collectables' ? 0 : touches.length)) return null;
  const { patch } = removeKind(project, role, kind, uses);
  const rules = touches.length === 1 ? 'its standing rule' : `its ${touches.length} standing rules`;
  return { label: touches.length === 0 ? 'Remove it' : `Remove it and ${rules}`, patch };
}

function spareTallies(project: Project): Spare[] {
  const { tallies, standing, levels, score } = project;
  const read = new Set([standing, ...Object.values(levels).map(({ rules }) => rules)].flatMap(talliesIn));
  const inScore = new Set(score.flatMap(({ reading }) => (reading.reading === 'tally' ? [reading.tally] : [])));
  return tallies.flatMap(({ id, name }): Spare[] =>
    read.has(id) || inScore.has(id)
      ? []
      : [
          {
            path: ['tallies', id],
            words: `The tally “${name}”`,
            reason: 'No rule counts it or looks at it.',
            mend: { label: 'Remove it', patch: removeTally(project, id).patch },
          },
        ],
  );
}

function spareParameters(project: Project): Spare[] {
  const { levels, kinds, standing, player, run, slots, score, parameters, bouts } = project;
  const parts = [...Object.values(levels), kinds, standing, player, run, slots, score, ...(bouts ? [bouts] : [])];
  const formulas = [
    ...parameters.flatMap(({ key, ramp: { shape } }) =>
      shape.type === 'formula' ? namesIn(shape.text).filter((name) => name !== key) : [],
    ),
    ...(bouts?.actions ?? []).flatMap(({ formula }) => namesIn(formula)),
  ];
  const followed = new Set(formulas);
  for (const part of parts) for (const key of followedBy(part)) followed.add(key);
  return parameters.flatMap(({ key, label }): Spare[] =>
    followed.has(key)
      ? []
      : [{ path: ['parameters', key], words: label, reason: 'Nothing follows it: it changes no number of the game.' }],
  );
}

/** A kind, zone, tally or parameter that nothing uses. */
export const unused: Check<'project'> = {
  code: 'unused',
  title: 'Nothing uses it',
  group: 'ground',
  severity: 'doubtful',
  source: 'document',
  scope: 'project',
  find({ project }) {
    const [first] = project.slots;
    if (!first) return [];
    const spare = [
      ...spareZones(project),
      ...spareKinds(project),
      ...spareTallies(project),
      ...spareParameters(project),
    ];
    return spare.map(({ path, words, reason, slotId, mend }): Found => {
      const at = pointerOf(path);
      const removal = mend === undefined ? { label: 'Remove it', patch: [removeAt(at)] } : mend;
      return {
        slotId: slotId ?? first.id,
        path: at,
        sentence: `${words} is not used.`,
        reason,
        ...(removal === null ? {} : { mend: removal }),
      };
    });
  },
};
