import { at, replaceAt, setOptional } from '@stadion/core/authoring/edits';
import { HEADED_MOVEMENTS } from '@stadion/core/play/attempt';
import type { Id, Piece } from '@stadion/core/document/model';
import { resolveAmount } from '@stadion/core/play/rules';
import type { ReactNode } from 'react';
import { useEdit } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { AmountChip } from '../../sentences/index.ts';
import { nameRefused, ChoiceChip, NumberChip, TextInPlace } from '../../ui/index.ts';
import type { Hand } from './gestures.ts';
import { KindOfAll } from './KindOfAll.tsx';
import { LaneWords } from './LaneWords.tsx';
import { MarkOfPiece } from './MarkOfPiece.tsx';
import { nameOfPiece } from './words.ts';

interface Props {
  here: LevelContext;
  pieces: readonly Piece[];
  hand: Hand | null;
  onHand: (hand: Hand | null) => void;
  onRemove: () => void;
  onKinds: () => void;
}

/** The selected pieces, as a sentence whose numbers can be changed. */
export function SelectedPieceSentence(props: Props) {
  const { here, pieces, hand, onHand, onRemove } = props;
  const [piece] = pieces;
  if (!piece) return <p className="text-ink-3">{adviceFor(hand)}</p>;
  if (pieces.length > 1) {
    const names = pieces.map((one) => nameOfPiece(here, one));
    const shown = names.length > 6 ? [...names.slice(0, 6), `${names.length - 6} more`] : names;
    return (
      <div className="say" role="group" aria-label="What is held">
        <b>{pieces.length} pieces</b>
        <span className="join">held: {shown.join(', ')}.</span>
        <KindOfAll here={here} pieces={pieces} />
        <button type="button" className="link" onClick={onRemove}>
          Remove them
        </button>
      </div>
    );
  }
  return (
    <div className="say" role="group" aria-label={`What is held: ${nameOfPiece(here, piece)}`}>
      <One {...props} piece={piece} />
      {piece.piece === 'start' ? null : (
        <button type="button" className="link" onClick={onRemove}>
          remove
        </button>
      )}
      {hand === null ? null : (
        <button type="button" className="link" onClick={() => onHand(null)}>
          let go
        </button>
      )}
    </div>
  );
}

/** Hint for the next step, by the chosen piece. */
function adviceFor(hand: Hand | null): string {
  if (!hand)
    return 'Click a piece to select it, drag over open ground to select all pieces inside, or choose above what to place.';
  if (hand.is === 'way') return 'Click the points of its way one after the other; Escape when it is done.';
  if (hand.is === 'ties') return 'Click the gates that it opens; Escape when it is done.';
  if (hand.is === 'cells') return 'Click or drag over cells. Escape lets go.';
  return hand.thing.by === 'area'
    ? 'Click, or drag over the area that it covers. Escape lets go.'
    : hand.thing.by === 'way'
      ? 'Click, or drag to put them along the way. Escape lets go.'
      : 'Click where it goes. Escape lets go.';
}

interface OneProps extends Props {
  piece: Piece;
}

/** Every field of one piece. */
function One({ here, piece, onHand, onKinds }: OneProps) {
  const edit = useEdit();
  const { level, project } = here;
  const part = here.section === undefined ? [] : ['sections', here.section];
  const path = at('levels', level.id, 'ground', ...part, 'pieces', piece.id);
  const name = nameOfPiece(here, piece);
  const set = (field: string, before: unknown, after: unknown, label: string): void =>
    edit({ label: `${label}, ${level.name}`, patch: setOptional(`${path}/${field}`, before, after) });
  const amount = (
    label: string,
    field: string,
    value: Parameters<typeof AmountChip>[0]['amount'],
    more: object,
  ): ReactNode => (
    <AmountChip
      here={here}
      label={`${label}: ${name}`}
      amount={value}
      path={`${path}/${field}`}
      step={1}
      min={0}
      {...more}
    />
  );
  const number = (
    label: string,
    field: string,
    value: number,
    more: { step?: number; min?: number; max?: number; scale?: number; unit?: string } = {},
  ): ReactNode => (
    <NumberChip
      label={`${label}: ${name}`}
      value={value}
      step={0.5}
      min={0}
      {...more}
      onCommit={(next) => set(field, value, next, `${label} of ${name}`)}
    />
  );
  const headed = (of: { kind: Id; heading?: number | undefined }): ReactNode => {
    const movement = project.kinds.enemies.find(({ id }) => id === of.kind)?.movement;
    return movement && HEADED_MOVEMENTS.has(movement) ? (
      <>
        <span className="join">{movement === 'circle' ? ', beginning at' : ', setting out at'}</span>
        {number('Direction', 'heading', of.heading ?? 0, { step: 15, max: 360 })}
        <span className="join">° (0 right, 90 down)</span>
      </>
    ) : null;
  };
  const place = (
    <>
      <span className="join">, at</span>
      {number('Across', 'at/x', piece.at.x, { max: level.ground.rows[0]?.length ?? 1 })}
      <span className="join">,</span>
      {number('Down', 'at/y', piece.at.y, { max: level.ground.rows.length })}
    </>
  );
  const size = 'width' in piece && (
    <>
      <span className="join">is</span>
      {number(
        'Width',
        'width',
        piece.width,
        piece.piece === 'gate' ? { step: 1, min: 1, max: 64 } : { min: 0.5, max: 64 },
      )}
      <span className="join">×</span>
      {number(
        'Height',
        'height',
        piece.height,
        piece.piece === 'gate' ? { step: 1, min: 1, max: 40 } : { min: 0.5, max: 40 },
      )}
      <span className="join">units</span>
    </>
  );
  const named = 'name' in piece && (
    <TextInPlace
      label="Its name"
      value={piece.name}
      className="font-semibold"
      refuse={(text) => nameRefused(text)}
      onCommit={(text) => set('name', piece.name, text, `Rename ${piece.name} to ${text}`)}
    />
  );
  const ofKind = (list: readonly { id: Id; name: string }[]): ReactNode =>
    'kind' in piece ? (
      <ChoiceChip
        label={`Kind of ${name}`}
        value={piece.kind}
        choices={list.map((kind) => ({ value: kind.id, label: kind.name }))}
        extra={[{ label: 'Its numbers, in Kinds', onSelect: onKinds }]}
        onChoose={(kind) => set('kind', piece.kind, kind, `Kind of ${name}`)}
      />
    ) : null;
  const { collectables, enemies, hazards } = project.kinds;
  switch (piece.piece) {
    case 'start':
      return (
        <>
          <b>Start</b>
          <span className="join">: the {project.words.player} begins here</span>
          {place}
        </>
      );
    case 'checkpoint':
      return (
        <>
          {named}
          <span className="join">: who has touched it comes back here</span>
          {place}
        </>
      );
    case 'goal':
    case 'zone':
      return (
        <>
          {named}
          {size}
          {place}
          <MarkOfPiece
            project={project}
            piece={piece}
            name={name}
            onLook={(look) => set('look', piece.look, look, `Mark of ${name}`)}
          />
        </>
      );
    case 'collectable':
      return (
        <>
          <b>{name}</b>
          <span className="join">is a</span>
          {ofKind(collectables)}
          <span className="join">and lies</span>
          <ChoiceChip
            label={`Seen from the start: ${name}`}
            value={piece.hidden ? 'hidden' : 'seen'}
            choices={[
              { value: 'seen', label: 'in sight' },
              { value: 'hidden', label: 'hidden until a milestone reveals it' },
            ]}
            onChoose={(next) => set('hidden', piece.hidden, next === 'hidden' ? true : undefined, `${name} is ${next}`)}
          />
          {place}
        </>
      );
    case 'hazard':
      return (
        <>
          <b>{name}</b>
          <span className="join">is a</span>
          {ofKind(hazards)}
          <span className="join">and</span>
          {size}
          {place}
        </>
      );
    case 'enemy': {
      const kind = enemies.find(({ id }) => id === piece.kind);
      const points = piece.path?.length ?? 0;
      return (
        <>
          <b>{name}</b>
          <span className="join">is a</span>
          {ofKind(enemies)}
          {kind?.movement === 'patrol' ? (
            <>
              <span className="join">
                and goes {points === 0 ? 'nowhere yet' : `over ${points} point${points === 1 ? '' : 's'} and back`}
              </span>
              <button type="button" className="link" onClick={() => onHand({ is: 'way', of: piece.id })}>
                {points === 0 ? 'draw its way' : 'add points'}
              </button>
              {points > 0 ? (
                <button
                  type="button"
                  className="link"
                  onClick={() =>
                    set(
                      'path',
                      piece.path,
                      points === 1 ? undefined : piece.path?.slice(0, -1),
                      `A point less for ${name}`,
                    )
                  }
                >
                  take the last off
                </button>
              ) : null}
            </>
          ) : null}
          {headed(piece)}
          {place}
        </>
      );
    }
    case 'spawner':
      return (
        <>
          <b>{name}</b>
          <span className="join">sends</span>
          {amount('How many', 'howMany', piece.howMany, { max: 60, whole: true })}
          {ofKind(enemies)}
          {headed(piece)}
          <span className="join">, the first after</span>
          {amount('First after', 'firstAfterSeconds', piece.firstAfterSeconds, { max: 600, unit: 's', step: 0.5 })}
          <span className="join">, one every</span>
          {amount('One every', 'everySeconds', piece.everySeconds, { max: 600, unit: 's', step: 0.5 })}
          <span className="join">, none nearer than</span>
          {number('Safe distance', 'safeDistance', piece.safeDistance, { max: 30 })}
          <span className="join">units to the {project.words.player}; it starts</span>
          <ChoiceChip
            label={`How it starts: ${name}`}
            value={piece.starts}
            choices={[
              { value: 'load', label: 'by itself' },
              { value: 'milestone', label: 'when a milestone sends it' },
            ]}
            onChoose={(next) => set('starts', piece.starts, next, `${name} starts otherwise`)}
          />
          <span className="join">and sends them</span>
          <ChoiceChip
            label={`Where it sends them: ${name}`}
            value={piece.spread ? 'area' : 'place'}
            choices={[
              { value: 'place', label: 'at its place' },
              { value: 'area', label: 'anywhere within an area' },
            ]}
            onChoose={(next) =>
              set(
                'spread',
                piece.spread,
                next === 'area' ? { width: 3, height: 2 } : undefined,
                `Where ${name} sends them`,
              )
            }
          />
          {piece.spread ? (
            <>
              <span className="join">of</span>
              {number('Area width', 'spread/width', piece.spread.width, { min: 0.5, max: 64 })}
              <span className="join">×</span>
              {number('Area height', 'spread/height', piece.spread.height, { min: 0.5, max: 40 })}
            </>
          ) : null}
          {place}
          <MarkOfPiece
            project={project}
            piece={piece}
            name={name}
            onLook={(look) => set('look', piece.look, look, `Mark of ${name}`)}
          />
        </>
      );
    case 'latch': {
      const gates = level.ground.pieces.filter((other) => other.piece === 'gate');
      const opened = piece.opens.map((id) => gates.find((gate) => gate.id === id)?.name ?? id);
      return (
        <>
          {named}
          <span className="join">{opened.length === 0 ? 'opens no gate yet' : `opens ${opened.join(', ')}`}</span>
          {gates.length === 0 ? (
            <span className="text-ink-3">put a gate to tie it to</span>
          ) : (
            <button type="button" className="link" onClick={() => onHand({ is: 'ties', of: piece.id })}>
              tie to gates
            </button>
          )}
          {gates.map((gate) => (
            <label key={gate.id} className="inline-flex items-center gap-1">
              <input
                type="checkbox"
                checked={piece.opens.includes(gate.id)}
                onChange={() =>
                  edit({
                    label: `Gates of ${name}, ${level.name}`,
                    patch: [
                      replaceAt(
                        `${path}/opens`,
                        piece.opens.includes(gate.id)
                          ? piece.opens.filter((id) => id !== gate.id)
                          : [...piece.opens, gate.id],
                      ),
                    ],
                  })
                }
              />
              {gate.name}
            </label>
          ))}
          {place}
        </>
      );
    }
    case 'gate':
      return (
        <>
          {named}
          {size}
          <span className="join">and at the start</span>
          <ChoiceChip
            label={`At the start: ${name}`}
            value={piece.open ? 'open' : 'closed'}
            choices={[
              { value: 'closed', label: 'closed' },
              { value: 'open', label: 'open' },
            ]}
            onChoose={(next) => set('open', piece.open, next === 'open', `${name} is ${next} at the start`)}
          />
          {place}
        </>
      );
    case 'lane':
      return (
        <>
          <b>{name}</b>
          <span className="join">: along it</span>
          {ofKind(enemies)}
          <LaneWords
            piece={piece}
            name={name}
            speed={resolveAmount(piece.speed, here.values, here.placed)}
            amount={amount}
            number={number}
            set={set}
          />
          {place}
        </>
      );
    case 'emitter':
      return (
        <>
          <b>{name}</b>
          <span className="join">shoots</span>
          {ofKind(hazards)}
          <ChoiceChip
            label={`Aim of ${name}`}
            value={piece.aim === 'player' ? 'player' : 'degrees'}
            choices={[
              { value: 'player', label: `at the ${project.words.player}` },
              { value: 'degrees', label: 'in one direction' },
            ]}
            onChoose={(next) => set('aim', piece.aim, next === 'player' ? 'player' : 0, `Aim of ${name}`)}
          />
          {piece.aim === 'player' ? null : (
            <>
              {number('Direction', 'aim', piece.aim, { step: 15, max: 360 })}
              <span className="join">° (0 right, 90 down)</span>
            </>
          )}
          <span className="join">every</span>
          {amount('Shoots every', 'everySeconds', piece.everySeconds, { max: 600, unit: 's', step: 0.1 })}
          <span className="join">at</span>
          {amount('Speed of its shots', 'speed', piece.speed, { max: 25, min: 0.1, step: 0.5 })}
          <span className="join">units a second, as far as</span>
          {amount('Reach of its shots', 'reach', piece.reach, { max: 100, min: 0.1, step: 0.5 })}
          <span className="join">units</span>
          {place}
        </>
      );
  }
}
