import type { ReactNode } from 'react';
import type { LevelHere } from '../../project/levelHere.ts';
import { Button } from '../../ui/index.ts';

interface Props {
  here: LevelHere;
  onRestart: () => void;
  onLeave: () => void;
  /** Beside the name. */
  told: ReactNode;
  /** What can be done besides beginning again and leaving. */
  children?: ReactNode;
}

/** Over a level that is played: which it is, how it stands, and the ways out. */
export function PlayHead({ here: { position, level }, onRestart, onLeave, told, children }: Props) {
  return (
    <header className="flex h-[46px] shrink-0 items-center gap-4 bg-bar px-3.5 text-bar-ink">
      <h1 className="min-w-24 truncate text-[15px]">
        {position}&ensp;{level.name}
      </h1>
      {told}
      <div className="grow" />
      {children}
      <Button look="bar" onClick={onRestart}>
        Restart <kbd>R</kbd>
      </Button>
      <Button look="bar" onClick={onLeave}>
        Leave <kbd>Esc</kbd>
      </Button>
    </header>
  );
}
