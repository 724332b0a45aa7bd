import { useFindings } from '../../answers/useFindings.ts';
import { FindingNotes } from '../../sentences/FindingNote.tsx';
import { cleared, copiedText, pasted, withGroundAsSection, type Cell } from '@stadion/core/authoring/building';
import {
  addKind,
  at,
  duplicateLevel,
  editGround,
  KIND_DEEDS,
  withoutPieces,
  type KindDeed,
  type Removal,
} from '@stadion/core/authoring/edits';
import { waysAt } from '@stadion/core/authoring/findings';
import type { Id, Level } from '@stadion/core/document/model';
import { sectionsOf } from '@stadion/core/play/grid';
import { prepareLevel } from '@stadion/core/play/movement';
import {
  gapMarks,
  gapsOf,
  lossMarks,
  passMarks,
  patrolMarks,
  reachMarks,
  reachOf,
  safeDistanceMarks,
  sightMarks,
  findingMarks,
  tieMarks,
  unreachableMarks,
  wayMarks,
  type Mark,
} from '@stadion/core/play/scene';
import { rulesOf } from '@stadion/core/play/rules';
import type { Forecast } from '@stadion/core/forecast/trials';
import { useCallback, useMemo, useState, type ReactNode } from 'react';
import { useGoto, useSequenceEdit } from '../../address/address.ts';
import { useEdit, usePacer } from '../../store/hooks.ts';
import type { LevelContext } from '../../readings/levelContext.ts';
import { mintId } from '../../store/mintId.ts';
import { RemovalConfirm } from '../../parts/RemovalConfirm.tsx';
import { freeLook } from '../../readings/looks.ts';
import { Confirm } from '../../ui/index.ts';
import { AsText } from './AsText.tsx';
import { choiceByKey, choiceOfKind, handChoices, keyOfHand } from './choices.ts';
import { FactsOfGround, FactsOfWays, LanesOfGround } from './GroundFacts.tsx';
import type { Hand, Outcome } from './gestures.ts';
import { nameOfPiece } from './words.ts';
import { SelectedPieceSentence } from './SelectedPieceSentence.tsx';
import { DrawnBar, type Drawn } from './DrawnBar.tsx';
import { Palette } from './Palette.tsx';
import { onSection, SectionSentence, SectionStrips, SectionTable } from './sections/index.ts';
import { Stage } from './Stage.tsx';
import { useWays } from './useWays.ts';
import { another, CopyPanel, ScatterPanel, SizePanel, GroundMenu, type GroundPanel } from './GroundMenu.tsx';

interface Props {
  here: LevelContext;
  /** The forecast of the level, as far as it is known. */
  forecast: Forecast | null;
  /** Head of the level, with the given acts. */
  head: (acts: ReactNode) => ReactNode;
}

const NOTHING: ReadonlySet<Id> = new Set();
const NONE: ReadonlySet<Drawn> = new Set();
const NO_GAPS: ReadonlySet<Drawn> = new Set(['gaps']);
/** A run shows the same facts section by section. */
const ON_RUNS: ReadonlySet<Drawn> = new Set(['passes', 'way', 'ties', 'safe', 'sight']);
const NOWHERE: readonly number[] = [];
const AT_FIRST: readonly Drawn[] = ['patrols', 'ties'];

/** A level's ground: what stands on it, put and moved, as a picture or as text. */
export function GroundView({ here: whole, forecast, head }: Props) {
  const [opened, setOpened] = useState<Id>();
  const sections = sectionsOf(whole.level.ground);
  const index = sections.findIndex(({ id }) => id === opened);
  const section = sections[index];
  const here = useMemo(() => onSection(whole, section?.id), [whole, section?.id]);
  const { level, project, values } = here;
  const isRun = 'sections' in whole.level.ground;
  const lostAt = (section ? forecast?.parts?.[index]?.lostAt : forecast?.lostAt) ?? NOWHERE;
  const edit = useEdit();
  const goto = useGoto();
  const change = useSequenceEdit();
  const choices = useMemo(
    // A run starts before its sections.
    () => handChoices(project, level.ground.kind).filter(({ key }) => key !== 'start' || here.section === undefined),
    [project, level.ground.kind, here.section],
  );
  const [hand, setHand] = useState<Hand | null>(null);
  const [heldIds, setHeld] = useState<ReadonlySet<Id>>(NOTHING);
  // A kind that was added here comes in hand as soon as it can be put.
  const [comingKind, setComingKind] = useState<Id>();
  const coming = comingKind === undefined ? undefined : choiceOfKind(choices, comingKind);
  if (comingKind !== undefined && coming) {
    setComingKind(undefined);
    setHand(coming.hand);
    setHeld(NOTHING);
  }
  const [said, setSaid] = useState('');
  const [trouble, setTrouble] = useState('');
  const findings = useFindings();
  const groundPath = at('levels', whole.level.id, 'ground');
  const piecesPath = `${section ? `${groundPath}/sections/${section.id}` : groundPath}/pieces/`;
  const found = useMemo(
    () => new Set(findings.flatMap(({ path }) => (path.startsWith(piecesPath) ? [path.slice(piecesPath.length)] : []))),
    [findings, piecesPath],
  );
  const [panel, setPanel] = useState<GroundPanel | null>(null);
  const [clearing, setClearing] = useState(false);
  const [shown, setShown] = useState<ReadonlySet<Drawn>>(new Set(AT_FIRST));
  const pacer = usePacer();
  const asksWays = !isRun && (shown.has('passes') || shown.has('way'));
  const ways = useWays(here, pacer, asksWays);

  const pieces = level.ground.pieces.filter(({ id }) => heldIds.has(id));
  const held = useMemo(
    () => new Set(level.ground.pieces.flatMap(({ id }) => (heldIds.has(id) ? [id] : []))),
    [level.ground.pieces, heldIds],
  );

  const [removing, setRemoving] = useState<{ what: string; removal: Removal }>();
  const addKindInHand = (deed: KindDeed): void => {
    const command = addKind(project, deed, freeLook(project, KIND_DEEDS[deed].role), mintId);
    edit(command);
    setComingKind(command.id);
    setSaid(`${command.label}: in hand`);
  };
  const take = (outcome: Outcome): void => {
    setTrouble(outcome.refused ?? '');
    const [one] = pieces;
    // A piece that is moved alone is called by its name.
    const label = one && held.size === 1 ? outcome.label.replace(/piece$/, nameOfPiece(here, one)) : outcome.label;
    if (outcome.whole) edit(editGround(whole.level, outcome.whole, label));
    else if (outcome.ground !== level.ground) {
      const after = section ? withGroundAsSection(whole.level.ground, section.id, outcome.ground) : outcome.ground;
      edit(editGround(whole.level, after, section ? `${label} in ${section.name}` : label));
    }
    if (outcome.held) setHeld(new Set(outcome.held));
    if (label !== '') setSaid(label);
  };
  const remove = (ids: ReadonlySet<Id>, label: string): boolean => {
    if (ids.size === 0) return false;
    const result = withoutPieces(project, level, ids);
    if ('refused' in result) {
      setTrouble(result.refused);
      return false;
    }
    const { names, ground } = result;
    if (names.sentences.length > 0) {
      // Only a level's own ground has pieces that sentences name.
      const patch = [...names.patch, ...editGround(level, ground, label).patch];
      const [one] = level.ground.pieces.filter(({ id }) => ids.has(id));
      const what = one && ids.size === 1 ? nameOfPiece(here, one) : `${ids.size} pieces`;
      setRemoving({ what, removal: { label: `${label}, ${level.name}`, sentences: names.sentences, patch } });
      return false;
    }
    take({ ground, label, held: [] });
    return true;
  };
  const letGo = (): void => {
    setTrouble('');
    if (hand) setHand(null);
    else setHeld(NOTHING);
  };
  const copy = (cuts: boolean): string | undefined => {
    if (pieces.length === 0) return undefined;
    const text = copiedText(project, pieces, values);
    if (cuts && !remove(held, `Cut ${pieces.length} pieces`)) return undefined;
    setSaid(`${pieces.length} piece${pieces.length === 1 ? '' : 's'} copied`);
    return text;
  };
  const paste = (text: string, cell: Cell): void => {
    const result = pasted(project, level.ground, text, cell, mintId);
    if (typeof result === 'string') return setTrouble(result);
    const left = [...new Set(result.dropped)];
    take({
      ground: result.ground,
      label: `Paste ${result.ids.length} piece${result.ids.length === 1 ? '' : 's'}`,
      held: result.ids,
      ...(left.length > 0 ? { refused: `Left out or changed: ${left.join('; ')}.` } : {}),
    });
  };
  const varyAsNew = (): void => {
    const command = duplicateLevel(project, here.slotId, mintId, { ground: another(whole.level.ground) });
    change(command && { ...command, label: `A new level from ${level.name}` });
  };
  const removeHeld = (): void => void remove(held, `Remove ${held.size} piece${held.size === 1 ? '' : 's'}`);

  const prepared = useMemo(() => prepareLevel(project, here.position), [project, here.position]);
  const rules = useMemo(() => rulesOf(project, level), [project, level]);
  const reach = useMemo(
    () => reachOf(level, waysAt({ project, level, rules, prepared })),
    [project, level, rules, prepared],
  );
  const gaps = useMemo(() => gapsOf(prepared), [prepared]);
  const drawn = useCallback(
    (changed: Level): { below: Mark[]; above: Mark[] } => ({
      below: [
        ...(shown.has('reach') ? reachMarks(reach) : []),
        ...(shown.has('passes') && ways ? passMarks(ways.passes, reach.width) : []),
        ...(shown.has('unreachable') ? unreachableMarks(reach) : []),
      ],
      above: [
        ...(shown.has('gaps') ? gapMarks(gaps) : []),
        ...(shown.has('losses') ? lossMarks(lostAt) : []),
        ...(shown.has('safe') ? safeDistanceMarks(changed) : []),
        ...(shown.has('sight') ? sightMarks(project, changed, values) : []),
        ...(shown.has('patrols') ? patrolMarks(project, changed) : []),
        ...(shown.has('ties') ? tieMarks(changed) : []),
        ...findingMarks(changed, found),
        ...(shown.has('way') && ways?.fastest ? wayMarks(ways.fastest.points) : []),
      ],
    }),
    [shown, gaps, reach, ways, lostAt, project, values, found],
  );
  return (
    <div className="flex w-0 min-w-0 grow flex-col overflow-y-auto px-[22px] pt-3.5 pb-4 [scrollbar-gutter:stable]">
      {head(
        <>
          <GroundMenu
            here={here}
            whole={whole}
            onOutcome={take}
            onPanel={setPanel}
            onSay={setTrouble}
            onClear={() => setClearing(true)}
            onVaryAsNew={varyAsNew}
          />
          <button
            type="button"
            className="link whitespace-nowrap"
            aria-expanded={panel === 'text'}
            onClick={() => setPanel(panel === 'text' ? null : 'text')}
          >
            {panel === 'text' ? 'As a picture' : 'As text'}
          </button>
        </>,
      )}
      {panel === 'text' ? (
        <div className="mt-2 flex grow flex-col">
          <AsText here={here} onOutcome={take} onClose={() => setPanel(null)} />
        </div>
      ) : (
        <>
          <SectionStrips
            here={whole}
            now={section?.id}
            onOpen={(id) => {
              setOpened(id);
              setHeld(NOTHING);
              setTrouble('');
            }}
          />
          {section ? <SectionSentence here={whole} section={section} onOpen={setOpened} /> : null}
          <Palette
            choices={choices}
            ground={level.ground}
            now={keyOfHand(hand)}
            onChoose={(choice) => {
              setHand(choice?.hand ?? null);
              if (choice) setHeld(NOTHING);
            }}
            onAddKind={addKindInHand}
          />
          {panel === 'size' ? (
            <SizePanel here={here} whole={whole.level.ground} onOutcome={take} onClose={() => setPanel(null)} />
          ) : null}
          {panel === 'scatter' ? (
            <ScatterPanel here={here} onOutcome={take} onClose={() => setPanel(null)} onSay={setTrouble} />
          ) : null}
          {panel === 'copy' ? <CopyPanel here={whole} onClose={() => setPanel(null)} /> : null}
          <Stage
            key={section?.id ?? 'opening'}
            prepared={prepared}
            here={here}
            hand={hand}
            held={held}
            drawn={drawn}
            onHold={(ids) => setHeld(new Set(ids))}
            onOutcome={take}
            onSay={setSaid}
            onLetGo={letGo}
            onRemove={removeHeld}
            onKeyChoice={(key) => {
              const choice = choiceByKey(choices, key, keyOfHand(hand));
              if (!choice) return false;
              setHand(choice.hand);
              setHeld(NOTHING);
              setSaid(`In hand: ${choice.label}`);
              return true;
            }}
            onCopy={copy}
            onPaste={paste}
          />
          <p role="status" className="mt-1 h-5 shrink-0 truncate text-[12px] text-ink-3">
            {said}
          </p>
          <DrawnBar
            hidden={isRun ? ON_RUNS : gaps.length === 0 ? NO_GAPS : NONE}
            shown={shown}
            onToggle={(name) => {
              const next = new Set(shown);
              if (!next.delete(name)) next.add(name);
              setShown(next);
            }}
          />
          {/* Always of the same height, so that the picture keeps its size and place while pieces are held. */}
          <div className="h-[76px] shrink-0 overflow-y-auto border-t border-line py-2 [scrollbar-gutter:stable]">
            {trouble === '' ? null : (
              <p role="alert" className="text-loss">
                {trouble}
              </p>
            )}
            <SelectedPieceSentence
              here={here}
              pieces={pieces}
              hand={hand}
              onHand={setHand}
              onRemove={removeHeld}
              onKinds={() => goto({ screen: 'kinds' })}
            />
          </div>
          <FactsOfGround here={here} reach={reach} gaps={gaps} />
          <LanesOfGround here={here} onHold={(id) => setHeld(new Set([id]))} />
          <SectionTable here={whole} forecast={forecast} onOpen={setOpened} />
          {asksWays ? <FactsOfWays here={here} pacer={pacer} ways={ways} /> : null}
          {/* Notes that come while something is drawn do not move the ground under the pointer. */}
          <div className="h-0 shrink-0">
            <FindingNotes findings={findings} at={(path) => path === groundPath || path.startsWith(`${groundPath}/`)} />
          </div>
        </>
      )}
      <RemovalConfirm
        what={removing?.what}
        removal={removing?.removal}
        onClose={() => setRemoving(undefined)}
        onRemove={(removal) => {
          edit(removal);
          setHeld(NOTHING);
          setSaid(removal.label);
        }}
      />
      <Confirm
        open={clearing}
        title={`Clear the ground of ${level.name}?`}
        does="Clear it"
        onClose={() => setClearing(false)}
        onConfirm={() => {
          const ids = new Set(level.ground.pieces.flatMap(({ id, piece }) => (piece === 'start' ? [] : [id])));
          const result = withoutPieces(project, level, ids);
          if ('refused' in result) return setTrouble(result.refused);
          const { sentences, patch } = result.names;
          const ground = cleared(level.ground);
          if (sentences.length === 0) return take({ ground, label: 'Clear the ground', held: [] });
          const { label, patch: groundPatch } = editGround(level, ground, 'Clear the ground');
          setRemoving({ what: 'all pieces', removal: { label, sentences, patch: [...patch, ...groundPatch] } });
        }}
      >
        All walls inside and all pieces but the start go:{' '}
        {level.ground.pieces.filter(({ piece }) => piece !== 'start').length} pieces. Undo brings them back.
      </Confirm>
    </div>
  );
}
