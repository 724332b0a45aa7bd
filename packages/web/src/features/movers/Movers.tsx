import { useAppDispatch, useAppSelector } from '../../store/hooks.ts';
import { moversToggled } from '../../store/viewSlice.ts';
import { MoversList } from './MoversList.tsx';

/** Parameters that move the selected level: computed while it is open, since it takes a core for some seconds. */
export function Movers() {
  const open = useAppSelector((state) => state.view.moversOpen);
  const dispatch = useAppDispatch();
  return (
    <section aria-label="What moves it">
      <h3 className="mt-3.5 mb-1 text-[12.5px]">
        <button
          type="button"
          className="hover:text-edit"
          aria-expanded={open}
          onClick={() => dispatch(moversToggled(!open))}
        >
          What moves it <span aria-hidden>{open ? '▴' : '▾'}</span>
        </button>
      </h3>
      {open ? <MoversList /> : null}
    </section>
  );
}
