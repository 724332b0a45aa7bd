import { MoversList } from '../features/movers/MoversList.tsx';
import { RampsScreen } from '../features/ramps/RampsScreen.tsx';

/** The lanes, with what moves the selected level beside them. */
export const RampsPage = () => <RampsScreen movers={<MoversList />} />;
