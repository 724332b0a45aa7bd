import { namesFor } from '@stadion/core/play/attempt';
import {
  addKind,
  at,
  duplicateKind,
  KIND_DEEDS,
  removeKind,
  renameKind,
  setLook,
  usesOfKind,
  type AnyKind,
  type KindDeed,
  type KindRole,
  type KindUses,
  type NamedEdit,
} from '@stadion/core/authoring/edits';
import type { EnemyKind, HazardKind } from '@stadion/core/document/model';
import { resolveAmount, ruleInWords } from '@stadion/core/play/rules';
import { kindFigures, looksOf } from '@stadion/core/play/scene';
import { MoreHorizontal } from 'lucide-react';
import { useMemo, useState } from 'react';
import { KindsSwitch } from '../../parts/KindsSwitch.tsx';
import { FirstStep } from '../../parts/FirstStep.tsx';
import { RemovalConfirm } from '../../parts/RemovalConfirm.tsx';
import { useGoto, useSelection } from '../../address/address.ts';
import { useEdit, useProject } from '../../store/hooks.ts';
import { levelHere, type LevelContext } from '../../readings/levelContext.ts';
import { mintId } from '../../store/mintId.ts';
import { useFindings } from '../../answers/useFindings.ts';
import { FindingNotes } from '../../sentences/FindingNote.tsx';
import { LookChip, NoteOf } from '../../sentences/index.ts';
import { nameRefused, Menu, TextInPlace } from '../../ui/index.ts';
import { QuietSheet } from '../../parts/QuietSheet.tsx';
import { KindStage } from './KindStage.tsx';
import { CollectableWords, EnemyWords, HazardWords } from './KindWords.tsx';
import { freeLook, takenMarks } from '../../readings/looks.ts';
import { PlayerFacts } from './PlayerFacts.tsx';

/** The project's cast: who and what is in the game, in every level. */
export function KindsScreen() {
  const project = useProject();
  const { position } = useSelection();
  const here = useMemo(() => levelHere(project, position), [project, position]);
  return here ? <Cast here={here} /> : <FirstStep />;
}

const ROLES: readonly { role: KindRole; title: string; none: string }[] = [
  { role: 'collectables', title: 'To gather', none: 'Nothing can be gathered yet.' },
  { role: 'enemies', title: 'Enemies', none: 'No enemies yet.' },
  { role: 'hazards', title: 'Hazards', none: 'No hazards yet.' },
];

/** An edit that makes a kind. */
type MadeKind = NamedEdit & { id: string };

function Cast({ here }: { here: LevelContext }) {
  const { project } = here;
  const edit = useEdit();
  // The kind that was just made: its name is selected, to be typed over.
  const [newKind, setNewKind] = useState<string>();
  const make = (made: MadeKind): void => {
    edit(made);
    setNewKind(made.id);
  };
  const add = (deed: KindDeed): void => make(addKind(project, deed, freeLook(project, KIND_DEEDS[deed].role), mintId));
  const speed = resolveAmount(project.player.moves.roam.speed, here.values, here.placed);
  const player = { speed, radius: project.player.radius };
  return (
    <main className="flex min-h-0 grow">
      <QuietSheet>
        <div className="flex items-baseline gap-3">
          <h1>Kinds</h1>
          <KindsSwitch shows="kinds" />
          <p className="grow text-ink-2">
            Who and what is in this game, in every level. A number that follows a ramp is shown as it is at level{' '}
            {here.position}.
          </p>
          <Menu
            trigger={
              <button type="button" className="link">
                + kind
              </button>
            }
            entries={(Object.keys(KIND_DEEDS) as KindDeed[]).map((deed) => ({
              label: `One that ${KIND_DEEDS[deed].label}`,
              onSelect: () => add(deed),
            }))}
          />
        </div>
        <h2 className="mt-4 border-b border-line pb-1 text-[13px]">The player</h2>
        <div className="act-row kind-row">
          <span className="p-1">
            <i className="block size-[22px] rounded-full border-2 border-ink bg-mark" />
          </span>
          <PlayerFacts here={here} />
          <KindStage
            figures={[{ is: 'circle', x: 0, y: 0, radius: 0.4, fill: 'mark', stroke: 'ink', line: 0.06 }]}
            radius={player.radius}
            speed={speed}
            playerWord={project.words.player}
          />
          <span className="text-ink-3">in every level</span>
        </div>
        {ROLES.map(({ role, title, none }) => (
          <section key={role} aria-label={title}>
            <h2 className="mt-4 border-b border-line pb-1 text-[13px]">{title}</h2>
            {project.kinds[role].length === 0 ? <p className="py-2 text-ink-3">{none}</p> : null}
            {project.kinds[role].map((kind, index) => (
              <KindRow
                key={kind.id}
                here={here}
                role={role}
                kind={kind}
                index={index}
                player={player}
                onDuplicate={make}
                naming={kind.id === newKind}
                onNamed={() => setNewKind(undefined)}
              />
            ))}
          </section>
        ))}
      </QuietSheet>
    </main>
  );
}

interface RowProps {
  here: LevelContext;
  role: KindRole;
  kind: AnyKind;
  index: number;
  player: { speed: number; radius: number };
  onDuplicate: (made: MadeKind) => void;
  naming: boolean;
  onNamed: () => void;
}

const isEnemy = (kind: AnyKind): kind is EnemyKind => 'movement' in kind;
const isHazard = (kind: AnyKind): kind is HazardKind => 'acts' in kind;

/** How an enemy goes along its strip. */
const wayOf = (kind: EnemyKind): 'on' | 'back' | number =>
  kind.movement === 'circle' ? kind.distance : kind.movement === 'patrol' || kind.movement === 'walk' ? 'back' : 'on';

/** One kind: how it looks, what it does, how it moves, where it stands. */
function KindRow({ here, role, kind, index, player, onDuplicate, naming, onNamed }: RowProps) {
  const { project } = here;
  const edit = useEdit();
  const [removing, setRemoving] = useState(false);
  const findings = useFindings();
  const figures = kindFigures(project, role, index, 0.42);
  const look = looksOf(project)[role][index];
  const uses = useMemo(
    () => usesOfKind(project, role, kind.id, (rule, level) => ruleInWords(rule, namesFor(project, level))),
    [project, role, kind.id],
  );
  const removal = useMemo(
    () => (removing ? removeKind(project, role, kind, uses) : undefined),
    [removing, project, role, kind, uses],
  );
  const speed = isEnemy(kind) && kind.movement !== 'still' ? resolveAmount(kind.speed, here.values, here.placed) : 0;
  return (
    <div className="act-row kind-row" role="group" aria-label={kind.name}>
      <LookChip
        name={kind.name}
        look={look}
        figures={figures}
        taken={takenMarks(project, kind.id)}
        free={freeLook(project, role, look?.colour)}
        onLook={(next) => edit(setLook(role, kind, next))}
      />
      <div className="say">
        <TextInPlace
          label="Its name"
          value={kind.name}
          className="font-semibold"
          refuse={(text) => nameRefused(text)}
          onCommit={(name) => edit(renameKind(role, kind, name))}
          editing={naming}
          onEditingChange={onNamed}
        />
        {isEnemy(kind) ? (
          <EnemyWords here={here} kind={kind} />
        ) : isHazard(kind) ? (
          <HazardWords here={here} kind={kind} />
        ) : (
          <CollectableWords here={here} kind={kind} />
        )}
        <NoteOf what={kind.name} path={at('kinds', role, kind.id, 'note')} note={kind.note} />
        <Menu
          trigger={
            <button
              type="button"
              className="rounded-r p-1 text-ink-3 hover:bg-edit-soft"
              aria-label={`What to do with ${kind.name}`}
            >
              <MoreHorizontal size={15} />
            </button>
          }
          entries={[
            {
              label: 'Duplicate',
              onSelect: () =>
                onDuplicate(duplicateKind(project, role, kind, freeLook(project, role, look?.colour), mintId)),
            },
            {
              label: 'Remove…',
              onSelect: () => {
                if (uses.pieces > 0 || uses.named.length > 0) setRemoving(true);
                else edit(removeKind(project, role, kind, uses));
              },
            },
          ]}
        />
      </div>
      <KindStage
        figures={figures}
        radius={isEnemy(kind) ? kind.radius : isHazard(kind) ? 0.5 : 0.27}
        speed={speed}
        way={isEnemy(kind) ? wayOf(kind) : 'on'}
        player={player}
        playerWord={project.words.player}
      />
      <UsesOf uses={uses} />
      <FindingNotes findings={findings} at={(path) => path === at('kinds', role, kind.id)} />
      <RemovalConfirm what={removing ? kind.name : undefined} removal={removal} onClose={() => setRemoving(false)}>
        {uses.pieces === 0 ? null : (
          <p>
            Its {uses.pieces} piece{uses.pieces === 1 ? '' : 's'} in {uses.levels.length} level
            {uses.levels.length === 1 ? '' : 's'} {uses.pieces === 1 ? 'is' : 'are'} removed with it.
          </p>
        )}
      </RemovalConfirm>
    </div>
  );
}

/** Where a kind stands, and which rules name it, as ways there. */
function UsesOf({ uses }: { uses: KindUses }) {
  const project = useProject();
  const goto = useGoto();
  const slotOf = (levelId: string): string | undefined => project.slots.find((slot) => slot.levelId === levelId)?.id;
  return (
    <span className="text-[12px] text-ink-2">
      {uses.pieces === 0 ? (
        'stands nowhere'
      ) : (
        <Menu
          trigger={
            <button type="button" className="link">
              {uses.pieces} piece{uses.pieces === 1 ? '' : 's'} in {uses.levels.length} level
              {uses.levels.length === 1 ? '' : 's'}
            </button>
          }
          entries={uses.levels.slice(0, 40).map(({ level, pieces }) => ({
            label: level.name,
            note: String(pieces),
            onSelect: () => goto({ screen: 'level', view: 'ground', slotId: slotOf(level.id) }),
          }))}
        />
      )}
      {uses.named.length === 0 ? null : (
        <>
          {' · '}
          <Menu
            trigger={
              <button type="button" className="link">
                {uses.named.length} rule{uses.named.length === 1 ? '' : 's'}
              </button>
            }
            entries={uses.named.slice(0, 40).map(({ level, words }) => ({
              label: words.length > 70 ? `${words.slice(0, 70)}…` : words,
              note: level?.name ?? 'every level',
              onSelect: () =>
                level
                  ? goto({ screen: 'level', view: 'rules', slotId: slotOf(level.id) })
                  : goto({ screen: 'sequence' }),
            }))}
          />
        </>
      )}
    </span>
  );
}
