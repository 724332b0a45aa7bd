import { HandoffScreen } from '../../features/handoff/HandoffScreen.tsx';

export function HandoffPage() {
  return <HandoffScreen />;
}
