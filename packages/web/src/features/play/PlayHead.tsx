import type { ReactNode } from 'react';
import type { LevelContext } from '../../readings/levelContext.ts';
import { Button } from '../../ui/index.ts';

interface Props {
  here: LevelContext;
  onRestart: () => void;
  onLeave: () => void;
  /** Beside the name. */
  told: ReactNode;
  /** Further acts beside beginning again and leaving. */
  children?: ReactNode;
}

/** Over a level that is played: which it is, how it stands, and the ways out. */
export function PlayHead({ here: { position, level }, onRestart, onLeave, told, children }: Props) {
  return (
    <header className="flex min-h-[46px] shrink-0 items-center gap-4 bg-bar px-3.5 py-1 text-bar-ink">
      {/* Many readings wrap into a second line, so that the ways out stay in sight. */}
      <div className="flex min-w-0 grow flex-wrap items-center gap-x-4">
        <h1 className="text-[15px]">
          {position}&ensp;{level.name}
        </h1>
        {told}
      </div>
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
