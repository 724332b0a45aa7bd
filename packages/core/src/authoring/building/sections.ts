import {
  literal,
  type Condition,
  type Ground,
  type Id,
  type Level,
  type Piece,
  type Project,
  type Rule,
  type Section,
} from '../../document/model/index.ts';
import { grown, type Growth } from './cells.ts';

/** Meaning of the characters of a drawing beside # (wall) and . (open): pieces of a kind, in the middle of their cells or over them. */
export type SectionLegend = Readonly<
  Record<string, { piece: 'collectable' | 'enemy' | 'hazard'; kind: Id; heading?: number }>
>;

/** A piece at a cell. */
function pieceAt({ piece, kind, heading }: SectionLegend[string], id: Id, x: number, y: number): Piece {
  if (piece === 'hazard') return { id, piece, kind, at: { x, y: y + 0.5 }, width: 1, height: 0.5 };
  const at = { x: x + 0.5, y: y + 0.5 };
  return piece === 'enemy' && heading !== undefined ? { id, piece, kind, at, heading } : { id, piece, kind, at };
}

/** Cells and pieces as they are drawn by characters. What the legend does not know is open. */
export function drawn(rows: readonly string[], legend: SectionLegend): { rows: string[]; pieces: Piece[] } {
  const counts = new Map<Id, number>();
  const pieces = rows.flatMap((row, y) =>
    [...row].flatMap((character, x): Piece[] => {
      const thing = legend[character];
      if (!thing) return [];
      const number = (counts.get(thing.kind) ?? 0) + 1;
      counts.set(thing.kind, number);
      return [pieceAt(thing, `${thing.kind}-${number}`, x, y)];
    }),
  );
  return { rows: rows.map((row) => [...row].map((cell) => (cell === '#' ? '#' : '.')).join('')), pieces };
}

/** A section as it is drawn, with open rows above it. @param height rows in all */
export function drawnSection(
  name: string,
  tier: number,
  rows: readonly string[],
  height: number,
  legend: SectionLegend,
): Section {
  const width = rows[0]?.length ?? 0;
  const above = Array.from({ length: Math.max(0, height - rows.length) }, () => '.'.repeat(width));
  const id = name
    .toLowerCase()
    .replaceAll(/[^a-z0-9]+/g, '-')
    .replaceAll(/^-|-$/g, '');
  return { id, name, tier, weight: 1, ...drawn([...above, ...rows], legend) };
}

/** A run of which a section stands where the opening is: what is done to a ground can be done to a section. The ground itself where there is no such section. */
export function withSectionAsGround(ground: Ground, id: Id | undefined): Ground {
  const section = 'sections' in ground ? ground.sections.find((one) => one.id === id) : undefined;
  return section ? { ...ground, rows: section.rows, pieces: section.pieces } : ground;
}

/** A run with cells and pieces of another ground given to a section of it. */
export function withGroundAsSection(ground: Ground, id: Id, { rows, pieces }: Pick<Ground, 'rows' | 'pieces'>): Ground {
  if (!('sections' in ground)) return ground;
  return { ...ground, sections: ground.sections.map((one) => (one.id === id ? { ...one, rows, pieces } : one)) };
}

/** Rows of a section whose ends do not join the others: the floor of its first and last two columns is not that of the opening's end. */
export function endsThatDoNotJoin(ground: Ground, rows: readonly string[]): ('start' | 'end')[] {
  const floorOf = (list: readonly string[], column: number): number => list.findIndex((row) => row.at(column) === '#');
  const wanted = floorOf(ground.rows, -1);
  const joins = (columns: readonly number[]): boolean => columns.every((column) => floorOf(rows, column) === wanted);
  return [...(joins([0, 1]) ? [] : ['start' as const]), ...(joins([-1, -2]) ? [] : ['end' as const])];
}

/** A new section: open above a floor that joins the opening's. @param width cells */
export function flatSection(ground: Ground, width: number): { rows: string[]; pieces: Piece[] } {
  return { rows: ground.rows.map((row) => (row.at(-1) === '#' ? '#' : '.').repeat(width)), pieces: [] };
}

/** A run, grown or shrunk: to the sides the opening or one section, up and down all of it. */
export function grownRun(ground: Ground, id: Id | undefined, growth: Growth): Ground {
  if (id === undefined) return grown(ground, growth);
  const { left, right } = growth;
  const high = grown(ground, { ...growth, left: 0, right: 0 });
  return withGroundAsSection(high, id, grown(withSectionAsGround(high, id), { left, right, top: 0, bottom: 0 }));
}

/** A condition that holds once a section has been passed. */
const passedOne: Condition = {
  id: 'passed-one',
  is: 'compare',
  reading: { reading: 'sectionsPassed' },
  comparison: 'atLeast',
  amount: literal(1),
};

const wins = (rule: Rule): boolean => rule.then.some(({ effect }) => effect === 'win');

/** A project in which a level is one section of its run and nothing else, cleared by who passes it; what loses there loses as before. */
export function sectionAlone(project: Project, level: Level, id: Id): Project {
  const { ground } = level;
  if (!('sections' in ground)) return project;
  const alone: Level = {
    ...level,
    ground: { ...ground, sections: ground.sections.filter((section) => section.id === id) },
    rules: [
      ...level.rules.filter((rule) => !wins(rule)),
      { id: 'alone', when: passedOne, then: [{ effect: 'win' }], fires: 'once' },
    ],
    standingRulesOff: [
      ...level.standingRulesOff,
      ...project.standing
        .filter((rule) => wins(rule) && !level.standingRulesOff.includes(rule.id))
        .map((rule) => rule.id),
    ],
  };
  return { ...project, levels: { ...project.levels, [level.id]: alone } };
}
