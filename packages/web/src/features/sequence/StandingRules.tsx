import type { LevelContext } from '../../readings/levelContext.ts';
import { useFindings } from '../../answers/useFindings.ts';
import { AddRule, RuleSentence } from '../../sentences/index.ts';

/** Rules that hold in every level unless it switches them off or replaces them. Numbers are those of the selected slot. */
export function StandingRules({ here }: { here: LevelContext }) {
  const { project, position } = here;
  const findings = useFindings();
  return (
    <div className="flex flex-col gap-1">
      {project.standing.map((rule) => (
        <RuleSentence
          key={rule.id}
          here={here}
          shown={{ rule, path: ['standing', rule.id], standing: true, state: rule.off ? 'off' : 'in force' }}
          list={project.standing}
          findings={findings}
          everywhere
        />
      ))}
      <div className="say">
        {project.standing.length === 0 ? <span className="text-ink-3">none yet</span> : null}
        <AddRule here={here} topic="lost" standing />
        <AddRule here={here} topic="milestone" standing />
        <AddRule here={here} topic="won" standing />
      </div>
      {project.standing.length === 0 ? null : (
        <p className="text-[12px] text-ink-3">Numbers and edge cases are those of slot {position}.</p>
      )}
    </div>
  );
}
