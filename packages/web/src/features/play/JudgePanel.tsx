import type { Condition } from '@stadion/core/document/model';
import type { LevelContext } from '../../readings/levelContext.ts';
import { lengthLimits, SHARE_LIMITS } from '../../sentences/lengths.ts';
import {
  causeInWords,
  comparisonInWords,
  effectInWords,
  endingOfRule,
  groupInWords,
  READINGS,
  readingInWords,
  type JudgeNode,
  ticksToSeconds,
  type Judge,
  type Verdicts,
} from '@stadion/core/play/rules';
import { formatNumber } from '../../ui/index.ts';

/** An attempt, as far as it is judged. */
interface Judged {
  verdicts: Verdicts;
  world: { judge: Judge };
}

interface Props {
  state: Judged;
  here: LevelContext;
}

/** A unit stays on the line of its number. */
const BESIDE = '\u00a0';

/** Every condition with its live truth and numbers. */
export function JudgePanel({ state, here }: Props) {
  const { judge } = state.world;
  const { names } = here;
  return (
    <section aria-label="Judge">
      {here.rules.map(({ rule, standing }, index) => {
        const judged = judge.rules[index];
        if (!judged) return null;
        const ending = endingOfRule(rule);
        const life = rule.then.some((effect) => effect.effect === 'loseLife');
        const title =
          ending === 'won'
            ? 'Won when'
            : ending === 'lost'
              ? `Lost when (${causeInWords(rule, names)})`
              : life
                ? 'A life is lost when'
                : `Then it ${rule.then.map((effect) => effectInWords(effect, names)).join(', ')} when`;
        const fired = state.verdicts.fired[index] ?? 0;
        return (
          <div key={`${standing}-${rule.id}`} className="border-t border-line py-2">
            <h3 className="mb-1 flex text-[12.5px]">
              <span className="grow">{title}</span>
              {fired > 0 ? <span className="font-normal whitespace-nowrap text-ink-2">fired {fired}×</span> : null}
            </h3>
            <Row condition={rule.when} node={judged.when} state={state} here={here} depth={0} />
          </div>
        );
      })}
    </section>
  );
}

interface RowProps {
  condition: Condition;
  node: JudgeNode;
  state: Judged;
  here: LevelContext;
  depth: number;
}

function Row({ condition, node, state, here, depth }: RowProps) {
  const { names } = here;
  const truth = state.verdicts.truth[node.index] === true;
  const number = state.verdicts.numbers[node.index] ?? 0;
  const held = state.verdicts.held[node.index] ?? 0;
  let words: string;
  let figures: string;
  if ('of' in condition) {
    words = groupInWords(condition, names);
    figures = `${number} of ${condition.of.length}`;
  } else {
    const reading = readingInWords(condition.reading, names);
    const { unit } = READINGS[condition.reading.reading];
    const length =
      unit === 'length' ? lengthLimits(here.project) : unit === 'share' ? SHARE_LIMITS : { scale: 1, unit: '' };
    const after = length.unit === '' ? '' : `${BESIDE}${length.unit}`;
    if (node.is === 'compare' && condition.is === 'compare') {
      words = `${reading} ${comparisonInWords(condition.reading, condition.comparison)} ${formatNumber((state.verdicts.amounts[node.index] ?? node.amount) * length.scale)}${after}`;
      figures = `${formatNumber(number * length.scale, unit === 'seconds' || unit === 'length' || unit === 'speed' ? 1 : 0)}${after}`;
    } else {
      words = condition.is === 'onOff' && !condition.on ? `not: ${reading}` : reading;
      figures = number === 0 ? 'no' : 'yes';
    }
    if ((node.is === 'compare' || node.is === 'onOff') && node.heldTicks > 0) {
      words += ` for ${formatNumber(ticksToSeconds(node.heldTicks))}${BESIDE}s`;
      figures += `, ${formatNumber(ticksToSeconds(Math.min(held, node.heldTicks)), 1)} s`;
    }
  }
  return (
    <>
      <div className="flex items-baseline gap-2 leading-6" style={{ paddingLeft: depth * 14 }}>
        <span
          aria-label={truth ? 'true' : 'not true'}
          className={`w-4 text-center font-bold ${truth ? 'text-win' : 'text-ink-3'}`}
        >
          {truth ? '✓' : '–'}
        </span>
        <span className={`grow ${truth ? 'font-semibold' : ''}`}>{words}</span>
        <span className="whitespace-nowrap text-ink-2">{figures}</span>
      </div>
      {'of' in condition && 'of' in node
        ? condition.of.map((child, index) => {
            const childNode = node.of[index];
            return childNode ? (
              <Row key={child.id} condition={child} node={childNode} state={state} here={here} depth={depth + 1} />
            ) : null;
          })
        : null}
    </>
  );
}
