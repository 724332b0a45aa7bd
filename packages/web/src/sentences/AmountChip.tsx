import { literal, type Amount, type ParameterAmount } from '@stadion/core/document/model';
import { amountInWords, resolveAmount } from '@stadion/core/play/rules';
import { addParameter, replaceAt } from '@stadion/core/authoring/edits';
import { useGoto } from '../address/address.ts';
import { useEdit } from '../store/hooks.ts';
import { formatNumber, formatPercent, NumberChip, type NumberLimits } from '../ui/index.ts';
import type { LevelContext } from '../readings/levelContext.ts';
import { SHARE_LIMITS } from './lengths.ts';

interface Props extends NumberLimits {
  here: LevelContext;
  /** The number, in words. */
  label: string;
  amount: Amount;
  /** JSON pointer to the amount. */
  path: string;
  /** A share of what is placed makes sense here. */
  shareOf?: { of: string; measure: 'worth' | 'count' };
  onClear?: () => void;
  /** Says the source beside the chip unless it is a plain number. */
  quiet?: boolean;
}

const isShareParameter = (here: LevelContext, key: string): boolean =>
  here.project.parameters.find((parameter) => parameter.key === key)?.number === 'share';

/** An amount as a chip: its value at this slot, and beside it where the value comes from. */
export function AmountChip({ here, label, amount, path, shareOf, onClear, quiet = false, ...limits }: Props) {
  const edit = useEdit();
  const goto = useGoto();
  const value = resolveAmount(amount, here.values, here.placed);
  const bound =
    amount.from === 'parameter'
      ? amount.parameter
      : amount.from === 'share' && amount.share.from === 'parameter'
        ? amount.share.parameter
        : undefined;
  // A number of the whole project, such as the speed of a kind, is not the level's.
  const what = path.startsWith('/levels/') ? `${label} of ${here.level.name}` : label;
  const follow = (key: string): Amount =>
    shareOf && isShareParameter(here, key)
      ? { from: 'share', share: { from: 'parameter', parameter: key }, ...shareOf }
      : { from: 'parameter', parameter: key };
  return (
    <>
      <NumberChip
        {...limits}
        label={label}
        value={value}
        onCommit={(next) =>
          edit({ label: `${what} to ${formatNumber(next)}`, patch: [replaceAt(path, { from: 'number', value: next })] })
        }
        {...(shareOf
          ? {
              onShare: (share: number) =>
                edit({
                  label: `${what} to ${formatNumber(share * 100, 1)} % of what is placed`,
                  patch: [replaceAt(path, { from: 'share', share: literal(share), ...shareOf })],
                }),
            }
          : {})}
        {...(onClear ? { onClear } : {})}
        binding={{
          options: here.project.parameters.map(({ key, label: name, number }) => {
            const now = here.values[key] ?? 0;
            return { key, label: name, shown: number === 'share' ? formatPercent(now, 1) : formatNumber(now) };
          }),
          bound,
          onBind: (key) => {
            const name = here.project.parameters.find((parameter) => parameter.key === key)?.label ?? key;
            edit({ label: `${what} follows ${name}`, patch: [replaceAt(path, follow(key))] });
          },
          newName: label.split(':')[0]!.slice(0, 80),
          onNew: (name) => {
            const number =
              limits.unit === '%' ? 'share' : limits.unit === 's' ? 'seconds' : limits.whole ? 'whole' : 'real';
            const shown = limits.unit === '%' || limits.unit === 's' ? '' : (limits.unit ?? '');
            const added = addParameter(here.project, name, { value, unit: shown, number });
            edit({
              label: `${what} follows the new ${name}`,
              patch: [...added.patch, replaceAt(path, { from: 'parameter', parameter: added.key })],
            });
          },
          onOpen: (key) => goto({ screen: 'ramps', lane: key }),
        }}
      />
      {amount.from === 'number' || quiet ? null : (
        <Source here={here} label={label} amount={amount} path={path} what={what} />
      )}
      {amount.from === 'parameter' && !quiet ? (
        <Transform label={label} amount={amount} path={path} what={what} />
      ) : null}
    </>
  );
}

/** Calculation with the parameter's value before it is used: × times + plus, so that several numbers follow one. */
function Transform({
  label,
  amount,
  path,
  what,
}: {
  label: string;
  amount: ParameterAmount;
  path: string;
  what: string;
}) {
  const edit = useEdit();
  const { times, plus } = amount;
  const set = (next: Partial<Pick<ParameterAmount, 'times' | 'plus'>>): void => {
    const { times: _times, plus: _plus, ...bare } = amount;
    const whole = { times, plus, ...next };
    // Neutral values are not written.
    const kept = {
      ...(whole.times === undefined || whole.times === 1 ? {} : { times: whole.times }),
      ...(whole.plus === undefined || whole.plus === 0 ? {} : { plus: whole.plus }),
    };
    edit({
      label: `${what}: × ${whole.times ?? 1} + ${whole.plus ?? 0}`,
      patch: [replaceAt(path, { ...bare, ...kept })],
    });
  };
  if (times === undefined && plus === undefined) {
    return (
      <button
        type="button"
        className="rest link text-[12px]"
        aria-label={`× and + on what ${label} follows`}
        onClick={() => set({ times: 1.1 })}
      >
        × and +
      </button>
    );
  }
  return (
    <span className="say inline-flex">
      <span className="join">×</span>
      <NumberChip
        label={`${label}: times`}
        value={times ?? 1}
        step={0.05}
        digits={4}
        onCommit={(value) => set({ times: value })}
      />
      <span className={plus === undefined ? 'rest say' : 'contents'}>
        <span className="join">+</span>
        <NumberChip
          label={`${label}: plus`}
          value={plus ?? 0}
          step={0.1}
          digits={4}
          onCommit={(value) => set({ plus: value })}
        />
      </span>
    </span>
  );
}

interface SourceProps {
  here: LevelContext;
  label: string;
  amount: Amount;
  path: string;
  what: string;
}

/** Where the value comes from. The share of what is placed is a chip of its own. */
function Source({ here, label, amount, path, what }: SourceProps) {
  const edit = useEdit();
  if (amount.from === 'placed') return <span className="text-ink-3">= all that is placed</span>;
  if (amount.from === 'parameter')
    return (
      <span className="text-ink-3">
        = {amountInWords({ from: 'parameter', parameter: amount.parameter }, here.names)}
      </span>
    );
  if (amount.from !== 'share') return null;
  const share = resolveAmount(amount.share, here.values, here.placed);
  const placed = formatNumber(here.placed[amount.measure][amount.of] ?? 0);
  if (amount.share.from === 'parameter')
    return (
      <span className="text-ink-3">
        = {amountInWords(amount.share, here.names)}, {formatNumber(share * 100, 1)} % of {placed} placed
      </span>
    );
  return (
    <span className="say inline-flex text-ink-3">
      <span>=</span>
      <NumberChip
        label={`${label}: share of what is placed`}
        value={share}
        {...SHARE_LIMITS}
        min={0}
        digits={1}
        onCommit={(next) =>
          edit({
            label: `${what} to ${formatNumber(next * 100, 1)} % of what is placed`,
            patch: [replaceAt(`${path}/share`, literal(next))],
          })
        }
      />
      <span>of {placed} placed</span>
    </span>
  );
}
