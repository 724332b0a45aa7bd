import { describe, expect, it } from '@jest/globals';
import fc from 'fast-check';
import { homeBeforeDusk } from '../../exchange/demo/index.ts';
import { copyGround, editGround, groundPatch, lostByCopying, withoutPieces } from '../edits/index.ts';
import { cellAt, DistanceMaps, makeGrid, UNREACHABLE } from '../../play/grid/index.ts';
import { namesFor } from '../../play/attempt/index.ts';
import {
  documentOf,
  findReferenceProblems,
  literal,
  ProjectDocument,
  projectOf,
  type Ground,
  type Level,
  type Meetings,
  type Piece,
} from '../../document/model/index.ts';
import { applyPatch } from '../../basics/patch/index.ts';
import { valuesAt } from '../../document/ramps/index.ts';
import {
  cellsAlong,
  cleared,
  copiedText,
  groundOfText,
  growthRefused,
  grown,
  legendOf,
  mirrored,
  newPiece,
  painted,
  pasted,
  puttables,
  scattered,
  textOfGround,
  turned,
  turnRefused,
  varied,
  withPiece,
} from './index.ts';
import { depth } from '../../testing/index.ts';

const demo = homeBeforeDusk();
const levels = Object.values(demo.levels);
const bank = demo.levels['lavender-bank'] as Level;
const naming = (level: Level) => namesFor(demo, level);
const level = fc.constantFrom(...levels);
const byId = (pieces: readonly Piece[]): Record<string, unknown> =>
  Object.fromEntries(pieces.map(({ order: _order, ...piece }) => [piece.id, piece]));
const plain = (ground: Ground) => ({ rows: ground.rows, pieces: byId(ground.pieces) });

/** The ground of a level after its edit has gone through the stored document, which must hold. */
function stored(of: Level, after: Ground): Ground {
  const document = applyPatch(documentOf(demo), editGround(of, after, 'Built').patch);
  return (projectOf(ProjectDocument.parse(document)).levels[of.id] as Level).ground;
}

describe('whole grounds', () => {
  it('mirrored twice and turned four times are themselves', () => {
    fc.assert(
      fc.property(level, ({ ground }) => {
        for (const mirror of ['leftRight', 'upDown'] as const)
          expect(plain(mirrored(mirrored(ground, mirror), mirror))).toEqual(plain(ground));
        expect(plain(turned(turned(turned(turned(ground)))))).toEqual(plain(ground));
      }),
    );
  });

  it('stay valid in the stored document, whatever is done to them', () => {
    const act = fc.constantFrom<(ground: Ground) => Ground>(
      (ground) => mirrored(ground, 'leftRight'),
      (ground) => mirrored(ground, 'upDown'),
      (ground) => (turnRefused(ground) === undefined ? turned(ground) : ground),
      (ground) => varied(ground, 7),
      (ground) => {
        const growth = { left: 2, right: -3, top: -1, bottom: 4 };
        return growthRefused(ground, growth) === undefined ? grown(ground, growth) : ground;
      },
      (ground) => painted(ground, cellsAlong({ x: 1, y: 1 }, { x: 6, y: 4 }), 'wall'),
    );
    fc.assert(
      fc.property(level, fc.array(act, { maxLength: 5 }), (one, acts) => {
        const after = acts.reduce((ground, next) => next(ground), one.ground);
        expect(plain(stored(one, after))).toEqual(plain(after));
      }),
      { numRuns: depth(60, 20) },
    );
  });

  it('grow with the wall round them', () => {
    const after = grown(bank.ground, { left: 0, right: 3, top: 2, bottom: 0 });
    expect([after.rows[0]?.length, after.rows.length]).toEqual([
      bank.ground.rows[0]!.length + 3,
      bank.ground.rows.length + 2,
    ]);
    for (const row of after.rows) expect([row.at(0), row.at(-1)]).toEqual(['#', '#']);
    expect(after.rows[0]).toMatch(/^#+$/);
    expect(after.rows[2]).not.toMatch(/^#+$/);
  });

  it.each([
    [{ left: 60, right: 0, top: 0, bottom: 0 }, 'A ground is at most 64 × 40 cells.'],
    [{ left: 0, right: 0, top: -40, bottom: 0 }, 'A ground is at least 4 × 4 cells.'],
  ])('do not grow beyond what there is room for: %j', (growth, said) => {
    expect(growthRefused(bank.ground, growth)).toBe(said);
  });

  it('cleared keep their start and the walls round them', () => {
    const { rows, pieces } = cleared(bank.ground);
    expect(pieces.map(({ piece }) => piece)).toEqual(['start']);
    expect(rows.slice(1, -1).every((row) => /^#\.+#$/.test(row))).toBe(true);
  });
});

describe('scattering', () => {
  it('keeps its distances, to the start and from each other, on what can be reached', () => {
    fc.assert(
      fc.property(
        level,
        fc.nat(1e6),
        fc.integer({ min: 1, max: 30 }),
        fc.constantFrom(1, 1.5, 2, 3),
        fc.constantFrom(0, 2, 5),
        ({ ground }, seed, count, apart, fromStart) => {
          const { ground: after, thrown } = scattered(ground, { kind: 'clover', count, apart, fromStart, seed });
          const lie = after.pieces.filter(
            (piece) => piece.piece === 'collectable' && piece.kind === 'clover' && !piece.hidden,
          );
          const start = after.pieces.find(({ piece }) => piece === 'start') as Piece;
          const grid = makeGrid(after.rows);
          const ways = new DistanceMaps(grid).to(cellAt(grid, start.at.x, start.at.y));
          expect(lie).toHaveLength(thrown);
          expect(thrown).toBeLessThanOrEqual(count);
          lie.forEach((one, index) => {
            expect(after.rows[Math.floor(one.at.y)]?.[Math.floor(one.at.x)]).toBe('.');
            expect(ways[cellAt(grid, one.at.x, one.at.y)]).toBeLessThan(UNREACHABLE);
            for (const other of lie.slice(index + 1))
              expect(Math.hypot(one.at.x - other.at.x, one.at.y - other.at.y)).toBeGreaterThanOrEqual(apart - 1e-9);
            expect(Math.hypot(one.at.x - start.at.x, one.at.y - start.at.y)).toBeGreaterThanOrEqual(fromStart - 1);
          });
        },
      ),
      { numRuns: depth(60, 20) },
    );
  });

  it('is the same for one seed and another for another', () => {
    const thrown = (seed: number) => plain(varied(bank.ground, seed));
    expect(thrown(3)).toEqual(thrown(3));
    expect(thrown(3)).not.toEqual(thrown(4));
  });

  it('says how many found room', () => {
    const { thrown } = scattered(bank.ground, { kind: 'clover', count: 90, apart: 6, fromStart: 2, seed: 1 });
    expect(thrown).toBeGreaterThan(2);
    expect(thrown).toBeLessThan(20);
  });
});

describe('a ground as text', () => {
  const legend = legendOf(demo);
  const read = (ground: Ground, text: string) => groundOfText(ground, legend, text);
  const groundFrom = (ground: Ground, text: string): Ground => {
    const result = read(ground, text);
    if ('faults' in result) throw new Error(result.faults[0]?.message);
    return result.ground;
  };

  it('has one character for each thing that can be put', () => {
    expect(new Set(legend.map(({ character }) => character)).size).toBe(puttables(demo).length);
  });

  it('comes back as it was, on every level', () => {
    for (const one of levels)
      expect(plain(groundFrom(one.ground, textOfGround(one.ground, legend)))).toEqual(plain(one.ground));
  });

  it('keeps what a character cannot say when the character moves', () => {
    const nest = bank.ground.pieces.find(({ piece }) => piece === 'spawner') as Piece;
    const letter = legend.find(({ thing }) => thing.key === 'spawner hornet')!.character;
    const text = textOfGround(bank.ground, legend);
    const elsewhere = text.replace(letter, '.').replace('#\n#.', `#\n#${letter}`);
    const after = groundFrom(bank.ground, elsewhere).pieces.find(({ id }) => id === nest.id);
    expect(after).toEqual({ ...nest, at: { x: 1.5, y: 1.5 } });
  });

  it('adds what has come and takes away what has gone', () => {
    const letter = legend.find(({ thing }) => thing.key === 'collectable clover')!.character;
    const count = (ground: Ground) =>
      ground.pieces.filter((piece) => 'kind' in piece && piece.kind === 'clover').length;
    const text = textOfGround(bank.ground, legend);
    expect(count(groundFrom(bank.ground, text.replace(letter, '.')))).toBe(count(bank.ground) - 1);
    expect(count(groundFrom(bank.ground, text.replace('#\n#.', `#\n#${letter}`)))).toBe(count(bank.ground) + 1);
  });

  it.each([
    ['a foreign character', (text: string) => text.replace('\n#.', '\n#§'), /“§” stands for nothing here/, [2, 2]],
    ['a short line', (text: string) => text.replace('\n#.', '\n#'), /This line has \d+ characters, the first has/, [2]],
    ['no start', (text: string) => text.replace('S', '.'), /put an S/, [1, 1]],
    ['a second start', (text: string) => text.replace('\n#.', '\n#S'), /the second S/, undefined],
    ['too little', () => '##\n##', /at least 4 × 4/, [1, 1]],
    ['too much', () => Array(45).fill('#'.repeat(70)).join('\n'), /At most 40 lines/, [41, 1]],
  ])('says where %s is, by line and column', (_what, change, said, place) => {
    const result = read(bank.ground, change(textOfGround(bank.ground, legend)));
    const fault = 'faults' in result ? result.faults[0]! : undefined;
    expect(fault?.message).toMatch(said);
    if (place) expect([fault!.line, fault!.column]).toEqual([place[0], place[1] ?? fault!.column]);
  });
});

describe('a copy', () => {
  const gated = levels.find(({ ground }) => ground.pieces.some(({ piece }) => piece === 'latch')) as Level;
  const copy = (from: Level, keep: (piece: Piece) => boolean) =>
    copiedText(demo, from.ground.pieces.filter(keep), valuesAt(demo, 7));
  const paste = (text: string, onto: Ground = bank.ground, project = demo) => {
    const result = pasted(project, onto, text, { x: 3, y: 3 });
    if (typeof result === 'string') throw new Error(result);
    return result;
  };

  it('comes down where it is pasted, each piece with an id of its own', () => {
    const text = copy(bank, (piece) => piece.piece === 'collectable');
    const { ground, ids } = paste(text);
    expect(new Set(ground.pieces.map(({ id }) => id)).size).toBe(bank.ground.pieces.length + ids.length);
    expect(plain(stored(bank, ground))).toEqual(plain(ground));
  });

  it('keeps latches tied to the gates that come along, and says which it lost', () => {
    const together = paste(copy(gated, ({ piece }) => piece === 'latch' || piece === 'gate'));
    const latch = together.ground.pieces.find(({ id, piece }) => piece === 'latch' && together.ids.includes(id));
    expect(together.dropped).toEqual([]);
    expect((latch as Extract<Piece, { piece: 'latch' }>).opens.every((gate) => together.ids.includes(gate))).toBe(true);
    const alone = paste(copy(gated, ({ piece }) => piece === 'latch'));
    expect(alone.dropped.join()).toMatch(/a gate that .+ opened elsewhere/);
  });

  it('goes into another project by the names of kinds, and reports unknown ones', () => {
    const other = structuredClone(demo);
    other.kinds.collectables = [{ id: 'leaf', name: 'Clover', worth: literal(2) }];
    other.parameters = [];
    const { ground, ids, dropped } = paste(
      copy(bank, () => true),
      cleared(bank.ground),
      other,
    );
    const kinds = new Set(
      ground.pieces.filter(({ id }) => ids.includes(id)).map((piece) => ('kind' in piece ? piece.kind : '')),
    );
    expect(kinds.has('leaf')).toBe(true);
    expect(dropped).toContain('the start: a ground has one');
    expect(dropped).toContain('Lavender: this project has no such kind');
    expect(dropped.some((words) => /its value was taken/.test(words))).toBe(true);
  });

  it.each([
    ['a shopping list', /no copy of pieces/],
    ['Stadion pieces\n{"pieces": [', /not whole/],
    ['Stadion pieces\n{"pieces": [{"id": "x", "piece": "dragon"}]}', /a piece that cannot be read/],
  ])('is refused in words where it is none: %s', (text, said) => {
    expect(pasted(demo, bank.ground, text, { x: 1, y: 1 })).toMatch(said);
  });

  it('does not go beyond 400 pieces', () => {
    const many = {
      ...bank.ground,
      pieces: Array.from({ length: 399 }, (_, index): Piece => ({
        id: `p-${index}`,
        piece: 'collectable',
        kind: 'clover',
        at: { x: 2.5, y: 2.5 },
      })),
    };
    const text = copy(bank, (piece) => piece.piece === 'collectable');
    expect(pasted(demo, many, text, { x: 1, y: 1 })).toMatch(/At most 400 pieces on a ground: this has 399/);
  });
});

describe('putting', () => {
  it('puts every thing there is, each of which the document can hold', () => {
    let { ground } = bank;
    puttables(demo).forEach((thing, index) => {
      ground = withPiece(ground, newPiece(ground, thing, { x: 1 + (index % 15), y: 2, width: 1, height: 1 }));
    });
    expect(plain(stored(bank, ground))).toEqual(plain(ground));
    expect(ground.pieces.filter(({ piece }) => piece === 'start')).toHaveLength(1);
  });

  it('touches only what has changed', () => {
    const clover = bank.ground.pieces.find(({ piece }) => piece === 'collectable') as Piece;
    const pieces = bank.ground.pieces.map((piece) => (piece === clover ? { ...piece, at: { x: 3.5, y: 3.5 } } : piece));
    const patch = groundPatch(['g'], bank.ground, painted({ ...bank.ground, pieces }, [{ x: 4, y: 5 }], 'no ground'));
    expect(patch.map(({ op, path }) => `${op} ${path}`)).toEqual([
      'replace /g/rows/5',
      `replace /g/pieces/${clover.id}/at`,
    ]);
  });
});

describe('taking away', () => {
  it('removes the sentences that name the piece with it, and never the start', () => {
    const goal = bank.ground.pieces.find(({ piece }) => piece === 'goal') as Piece;
    const result = withoutPieces(demo, bank, new Set([goal.id]));
    if ('refused' in result) throw new Error(result.refused);
    expect(result.names.sentences.map(({ words }) => words)).toContain('the bee is inside Hive mouth for 0.5 s');
    const { patch } = editGround(bank, result.ground, 'Remove');
    const next = projectOf(applyPatch(documentOf(demo), [...result.names.patch, ...patch]));
    expect(findReferenceProblems(next)).toEqual([]);
    expect(withoutPieces(demo, bank, new Set(['start']))).toEqual({
      refused: 'A ground has one start: move it instead.',
    });
  });

  it('removes the meeting at the piece, and no meeting is at one that is not there', () => {
    const goal = bank.ground.pieces.find(({ piece }) => piece === 'goal') as Piece;
    const meetings: Meetings = {
      ...{ groups: {}, many: literal(1), mayWithdraw: true, whenLost: 'goOn', zones: [goal.id] },
    };
    const level = { ...bank, rules: [], meetings };
    const result = withoutPieces(demo, level, new Set([goal.id]));
    expect('names' in result && result.names.sentences.map(({ words }) => words)).toEqual(['a meeting at Hive mouth']);
    const whole = homeBeforeDusk();
    whole.levels[bank.id]!.meetings = { ...meetings, zones: ['nowhere'] };
    expect(findReferenceProblems(whole)).toEqual([
      {
        path: ['levels', bank.id, 'meetings', 'zones', 0],
        message: 'There is no goal or zone “nowhere” on this ground.',
      },
    ]);
  });

  it('lets latches go of gates', () => {
    const gate: Piece = {
      id: 'gate-x',
      piece: 'gate',
      name: 'Side gate',
      at: { x: 3, y: 3 },
      width: 1,
      height: 1,
      open: false,
    };
    const latch: Piece = {
      id: 'latch-x',
      piece: 'latch',
      name: 'Side latch',
      at: { x: 2.5, y: 2.5 },
      opens: ['gate-x'],
    };
    const one: Level = { ...bank, ground: { ...bank.ground, pieces: [...bank.ground.pieces, gate, latch] } };
    const result = withoutPieces(demo, one, new Set(['gate-x']));
    const left = 'ground' in result ? result.ground.pieces.find(({ id }) => id === 'latch-x') : undefined;
    expect(left).toEqual({ ...latch, opens: [] });
  });

  it('tells what a level loses that takes another ground', () => {
    const home = demo.levels['home-before-dusk'] as Level;
    const lost = lostByCopying({ ...bank, ground: cleared(bank.ground) }, home, naming(home));
    expect(lost.length).toBeGreaterThan(0);
    expect(lostByCopying(bank, bank, naming(bank))).toEqual([]);
  });

  it('gives many levels one ground by one operation each', () => {
    const edit = copyGround(bank, levels);
    const after = projectOf(applyPatch(documentOf(demo), edit.patch));
    expect(edit.patch).toHaveLength(levels.length);
    for (const { ground } of Object.values(after.levels)) expect(plain(ground)).toEqual(plain(bank.ground));
  });
});
