import { describe, expect, it } from '@jest/globals';
import { puttables } from '@stadion/core/authoring/building';
import { homeBeforeDusk } from '@stadion/core/exchange/demo';
import { freshId, type Ground, type Piece } from '@stadion/core/document/model';
import { choiceByKey, choiceOfKind, handChoices } from './choices.ts';
import { nextAt, outcomeOf, piecesAt, put, type Drag, type Hand } from './gestures.ts';

const demo = homeBeforeDusk();
const { ground } = demo.levels['lavender-bank']!;
const thing = (key: string): Hand => ({ is: 'thing', thing: puttables(demo).find((one) => one.key === key)! });
const clover = ground.pieces.find((piece) => piece.piece === 'collectable')!;
const drag = (does: Drag['does'], from: [number, number], to: [number, number], more: Partial<Drag> = {}): Drag => ({
  does,
  from: { x: from[0], y: from[1] },
  to: { x: to[0], y: to[1] },
  cells: [],
  copies: false,
  ...more,
});
const outcome = (held: readonly Piece[], of: Drag) =>
  outcomeOf(ground, null, new Set(held.map(({ id }) => id)), of, freshId);
const at = (from: Ground, id: string) => from.pieces.find((piece) => piece.id === id)!.at;

describe('a drag', () => {
  it('moves what is held by whole cells, no further than the ground goes', () => {
    const { x, y } = clover.at;
    expect(at(outcome([clover], drag('move', [x, y], [x + 2.2, y])).ground, clover.id)).toEqual({ x: x + 2, y });
    expect(at(outcome([clover], drag('move', [x, y], [x + 90, y])).ground, clover.id)).toEqual({ x: 23.5, y });
  });

  it('that copies leaves what it took, and holds the copy', () => {
    const { x, y } = clover.at;
    const { ground: after, held } = outcome([clover], drag('move', [x, y], [x + 1, y], { copies: true }));
    expect([at(after, clover.id), at(after, held![0]!)]).toEqual([
      { x, y },
      { x: x + 1, y },
    ]);
  });

  it('over open ground holds all inside', () => {
    const { held } = outcome([], drag('hold', [0, 0], [24, 14]));
    expect(held).toHaveLength(ground.pieces.length);
  });

  it('changes nothing where it comes back to its place', () => {
    expect(outcome([clover], drag('move', [1, 1], [1.2, 1.3])).ground).toBe(ground);
  });
});

describe('putting', () => {
  it('stops at 400 pieces, and says how many were not put', () => {
    const many: Piece[] = Array.from({ length: 399 }, (_, index) => ({
      id: `p-${index}`,
      piece: 'collectable',
      kind: 'clover',
      at: { x: 2.5, y: 2.5 },
    }));
    const { ground: after, refused } = put(
      { ...ground, pieces: many },
      thing('collectable clover'),
      [
        { x: 5, y: 5 },
        { x: 6, y: 5 },
        { x: 7, y: 5 },
      ],
      freshId,
    );
    expect([after.pieces.length, refused]).toEqual([400, 'At most 400 pieces on a ground: 2 were not put.']);
  });

  it('leaves out cells that have one of the sort already, and those beyond the ground', () => {
    const cell = { x: Math.floor(clover.at.x), y: Math.floor(clover.at.y) };
    const { ground: after } = put(ground, thing('collectable clover'), [cell, { x: 99, y: 3 }], freshId);
    expect(after.pieces).toHaveLength(ground.pieces.length);
  });

  it('says so where a latch is tied to no gate', () => {
    expect(put(ground, { is: 'ties', of: 'latch' }, [{ x: 1, y: 1 }], freshId).refused).toBe(
      'There is no gate: click one.',
    );
  });
});

describe('taking hold', () => {
  it('takes the next of what lies on one cell, round and round', () => {
    const pond: Piece = { id: 'pond-x', piece: 'hazard', kind: 'pond', at: { x: 3, y: 3 }, width: 2, height: 2 };
    const leaf: Piece = { id: 'leaf-x', piece: 'checkpoint', name: 'Leaf', at: { x: 3.5, y: 3.5 } };
    const two = { ...ground, pieces: [pond, leaf] };
    const cell = { x: 3, y: 3 };
    expect(piecesAt(two, cell).map(({ id }) => id)).toEqual(['leaf-x', 'pond-x']);
    const next = (held?: string) => nextAt(two, cell, new Set(held === undefined ? [] : [held]))?.id;
    expect([next(), next('leaf-x'), next('pond-x')]).toEqual(['leaf-x', 'pond-x', 'leaf-x']);
  });

  it('puts a new kind of hazard itself in hand, not what shoots it', () => {
    const choices = handChoices(demo, 'roam');
    for (const [sort, kinds] of [
      ['hazard', demo.kinds.hazards],
      ['enemy', demo.kinds.enemies],
    ] as const)
      for (const { id } of kinds) expect(choiceOfKind(choices, id)?.key).toBe(`${sort} ${id}`);
  });

  it('chooses what is in hand by digits and letters, the next one on a second press', () => {
    const choices = handChoices(demo, 'roam');
    const label = (key: string, now?: string) => choiceByKey(choices, key, now)?.label;
    expect([label('1'), label('l'), label('l', 'latch'), label('§')]).toEqual(['Wall', 'Latch', 'Lavender', undefined]);
  });

  it('leaves G to the way back to the rules', () => {
    const choices = handChoices(demo, 'roam');
    expect(choices.some(({ label }) => label === 'Goal')).toBe(true);
    expect([choiceByKey(choices, 'g', undefined), choiceByKey(choices, 'G', undefined)]).toEqual([
      undefined,
      undefined,
    ]);
  });
});
